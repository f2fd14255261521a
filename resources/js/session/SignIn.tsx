import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useSignIn } from '../api/queries';
import { Wordmark } from '../theme/Wordmark';

export function SignIn({ demo, unreachable, onSignedIn }: { demo: boolean; unreachable: boolean; onSignedIn?: () => void }) {
    const signIn = useSignIn(onSignedIn);
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    return (
        <Stack component="main" sx={{ minHeight: '100%', alignItems: 'center', justifyContent: 'center', p: 2 }}>
            <Paper variant="outlined" sx={{ width: 380, p: 4 }}>
                <Typography component="h1" variant="h4" sx={{ mb: 0.5 }}>
                    <Wordmark />
                </Typography>
                <Typography color="text.secondary" sx={{ mb: 3 }}>
                    Does every part stay under its limit, and with how much margin?
                </Typography>
                {unreachable && (
                    <Alert severity="error" sx={{ mb: 2 }}>
                        The server cannot be reached. Is Foehn running?
                    </Alert>
                )}
                {signIn.isError && (
                    <Alert severity="error" sx={{ mb: 2 }}>
                        {signIn.error.message}
                    </Alert>
                )}
                {demo && (
                    <>
                        <Button fullWidth variant="contained" size="medium" loading={signIn.isPending} onClick={() => signIn.mutate('demo')}>
                            Enter as the demo engineer
                        </Button>
                        <Divider sx={{ my: 2.5 }}>or</Divider>
                    </>
                )}
                <Stack
                    component="form"
                    sx={{ gap: 1.5 }}
                    onSubmit={(e) => {
                        e.preventDefault();
                        signIn.mutate({ email, password });
                    }}
                >
                    <TextField
                        size="small"
                        label="E-mail address"
                        type="email"
                        autoComplete="username"
                        required
                        value={email}
                        onChange={(e) => setEmail(e.target.value)}
                    />
                    <TextField
                        size="small"
                        label="Password"
                        type="password"
                        autoComplete="current-password"
                        required
                        value={password}
                        onChange={(e) => setPassword(e.target.value)}
                    />
                    <Button type="submit" variant="outlined" size="medium" disabled={signIn.isPending}>
                        Sign in
                    </Button>
                </Stack>
            </Paper>
        </Stack>
    );
}
