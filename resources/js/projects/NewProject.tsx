import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiError } from '../api/client';
import { useImportProject } from '../api/queries';
import { questions, type Question } from '../model/question';
import { gravities, type Gravity } from '../model/space';
import { usePreferences, useScreen } from '../state/screen';
import { nameOfUnits, systems, type System } from '../units/units';
import { StartPicture } from './StartPicture';
import { firstModel, starts, type Answers, type Start } from './starts';

const number = (text: string): string | null => {
    const plain = text.trim().replace('−', '-').replace(',', '.');
    return /^-?\d+(\.\d+)?$/.test(plain) ? plain : null;
};

/** Four questions and a working start; everything chosen can be changed later. */
export function NewProject({ open, onClose }: { open: boolean; onClose: () => void }) {
    const navigate = useNavigate();
    const creating = useImportProject();
    const { units, setUnits } = usePreferences();
    const [answers, setAnswers] = useState<Answers>({ name: '', question: 'heat', start: 'ventilated', ambient: '40', altitude: '0', gravity: 'z-' });
    const set = (change: Partial<Answers>) => setAnswers({ ...answers, ...change });
    const ambient = number(answers.ambient);
    const altitude = number(answers.altitude);
    const cooled = answers.question !== 'air' || !['plate', 'bars'].includes(answers.start);
    // Who asks for currents most likely wants something they flow through.
    const ask = (question: Question) => set({ question, start: question === 'current' ? 'bars' : answers.start === 'bars' ? 'ventilated' : answers.start });
    const ready = answers.name.trim() !== '' && ambient !== null && altitude !== null && cooled;
    const create = async () => {
        if (!ready) return;
        const project = await creating.mutateAsync(JSON.stringify(firstModel({ ...answers, name: answers.name.trim(), ambient, altitude })));
        useScreen.getState().set({ stage: 'Build' });
        await navigate(`/projects/${project.id}/variants/${project.variants[0]?.id}`);
    };
    return (
        <Dialog open={open} onClose={onClose} maxWidth="md" fullWidth>
            <DialogTitle>New project</DialogTitle>
            <DialogContent>
                <form
                    id="new-project"
                    onSubmit={(e) => {
                        e.preventDefault();
                        void create().catch(() => undefined);
                    }}
                >
                    <Stack direction="row" sx={{ gap: 1.5, mt: 1 }}>
                        <TextField
                            autoFocus
                            size="small"
                            label="Name of the product"
                            value={answers.name}
                            onChange={(e) => set({ name: e.target.value })}
                            sx={{ flex: 2 }}
                            slotProps={{ htmlInput: { maxLength: 100 } }}
                        />
                        <TextField
                            select
                            size="small"
                            label="What is the question?"
                            value={answers.question}
                            onChange={(e) => ask(e.target.value as Question)}
                            sx={{ flex: 2 }}
                        >
                            {(Object.keys(questions) as Question[]).map((question) => (
                                <MenuItem key={question} value={question}>
                                    {questions[question]}
                                </MenuItem>
                            ))}
                        </TextField>
                    </Stack>
                    <Typography component="h3" sx={{ fontWeight: 600, mt: 2, mb: 1 }}>
                        How is it cooled?
                    </Typography>
                    <Box role="radiogroup" aria-label="How is it cooled?" sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1.25 }}>
                        {(Object.keys(starts) as Start[]).map((start) => {
                            const chosen = answers.start === start;
                            return (
                                <ButtonBase
                                    key={start}
                                    role="radio"
                                    aria-checked={chosen}
                                    onClick={() => set({ start })}
                                    sx={{
                                        justifyContent: 'start',
                                        textAlign: 'left',
                                        gap: 1.5,
                                        p: 1.25,
                                        border: 1,
                                        borderRadius: 1.5,
                                        borderColor: chosen ? 'primary.main' : 'divider',
                                        outline: (t) => (chosen ? `1px solid ${t.palette.primary.main}` : 'none'),
                                        bgcolor: chosen ? 'action.selected' : 'transparent',
                                        font: 'inherit',
                                        '&:hover, &:focus-visible': { bgcolor: 'action.hover' },
                                    }}
                                >
                                    <StartPicture start={start} />
                                    <span>
                                        <Box component="span" sx={{ display: 'block', fontWeight: 600 }}>
                                            {starts[start][0]}
                                        </Box>
                                        <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
                                            {starts[start][1]}
                                        </Box>
                                    </span>
                                </ButtonBase>
                            );
                        })}
                    </Box>
                    {!cooled && (
                        <Alert severity="info" sx={{ mt: 1.5 }}>
                            There is no moving air in this start; choose another one or ask for temperatures.
                        </Alert>
                    )}
                    <Typography component="h3" sx={{ fontWeight: 600, mt: 2, mb: 1 }}>
                        What is the worst case outside?
                    </Typography>
                    <Stack direction="row" sx={{ gap: 1.5 }}>
                        <TextField
                            size="small"
                            label="Ambient temperature, °C"
                            value={answers.ambient}
                            error={ambient === null}
                            helperText={ambient === null ? 'A number of °C, for example 40' : ' '}
                            onChange={(e) => set({ ambient: e.target.value })}
                            sx={{ flex: 1 }}
                        />
                        <TextField
                            size="small"
                            label="Altitude, m"
                            value={answers.altitude}
                            error={altitude === null}
                            helperText={altitude === null ? 'A number of m, for example 0' : ' '}
                            onChange={(e) => set({ altitude: e.target.value })}
                            sx={{ flex: 1 }}
                        />
                        <TextField
                            select
                            size="small"
                            label="Gravity"
                            value={answers.gravity}
                            onChange={(e) => set({ gravity: e.target.value as Gravity })}
                            sx={{ flex: 1 }}
                        >
                            {(Object.keys(gravities) as Gravity[])
                                .filter((g) => g !== 'own')
                                .map((g) => (
                                    <MenuItem key={g} value={g}>
                                        {gravities[g]}
                                    </MenuItem>
                                ))}
                        </TextField>
                        <TextField
                            select
                            size="small"
                            label="Units on the screen"
                            value={systems.find((system) => system === units) ?? 'mixed'}
                            onChange={(e) => setUnits(e.target.value as System)}
                            sx={{ flex: 1 }}
                        >
                            {systems.map((system) => (
                                <MenuItem key={system} value={system}>
                                    {nameOfUnits(system)}
                                </MenuItem>
                            ))}
                            {units.includes(' ') && (
                                <MenuItem value="mixed" disabled>
                                    {nameOfUnits(units)}
                                </MenuItem>
                            )}
                        </TextField>
                    </Stack>
                    {creating.isError && (
                        <Alert severity="error">
                            {creating.error.message}
                            {creating.error instanceof ApiError && creating.error.problems.map((p) => <div key={p.pointer + p.message}>{p.message}</div>)}
                        </Alert>
                    )}
                </form>
            </DialogContent>
            <DialogActions sx={{ px: 3, pb: 2 }}>
                <Typography variant="body2" color="text.secondary" sx={{ flex: 1 }}>
                    All of this can be changed later.
                </Typography>
                <Button color="inherit" onClick={onClose}>
                    Cancel
                </Button>
                <Button type="submit" form="new-project" variant="contained" disabled={!ready} loading={creating.isPending}>
                    Create
                </Button>
            </DialogActions>
        </Dialog>
    );
}
