import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import { useScreen } from '../state/screen';
import type { Difference } from './differences';

/** Names a difference within its list. */
export const keyOf = ({ path }: Difference): string => JSON.stringify(path);

interface Props {
    list: readonly Difference[];
    /** What the two models are called. */
    from: string;
    to: string;
    /** Which are chosen, by their keys; none where nothing can be. */
    chosen?: readonly string[];
    onToggle?: (key: string) => void;
    /** Goes to a part. */
    onPart?: (part: string) => void;
}

/** What one model says otherwise than another, part by part. A part that is pointed at is lit up in the view. */
export function DifferencesTable({ list, from, to, chosen, onToggle, onPart }: Props) {
    const set = useScreen((s) => s.set);
    return (
        <Box
            component="table"
            aria-label={`Differences of ${to} from ${from}`}
            sx={{
                borderCollapse: 'collapse',
                width: '100%',
                fontSize: 13,
                '& th, & td': { p: '4px 8px', textAlign: 'left', verticalAlign: 'top', borderBottom: 1, borderColor: 'divider' },
                '& th': { fontWeight: 500 },
                '& td.value': { overflowWrap: 'anywhere', width: '32%' },
                '& thead th': { position: 'sticky', top: 0, bgcolor: 'background.paper', color: 'text.secondary', zIndex: 1 },
                '& td.none': { color: 'text.secondary' },
            }}
        >
            <thead>
                <tr>
                    {onToggle && <th scope="col" aria-label="Take over" style={{ width: 28 }} />}
                    <th scope="col">What</th>
                    <th scope="col">Property</th>
                    <th scope="col">{from}</th>
                    <th scope="col">{to}</th>
                </tr>
            </thead>
            <tbody>
                {list.map((difference, n) => {
                    const { subject, property, part } = difference;
                    const key = keyOf(difference);
                    const again = n > 0 && list[n - 1]!.subject === subject;
                    return (
                        <tr key={key} onMouseEnter={() => set({ lit: part ? [part] : [] })} onMouseLeave={() => set({ lit: [] })}>
                            {onToggle && (
                                <td style={{ padding: 0 }}>
                                    <Checkbox
                                        size="small"
                                        checked={chosen?.includes(key) === true}
                                        onChange={() => onToggle(key)}
                                        slotProps={{ input: { 'aria-label': `Take ${property} of ${subject}` } }}
                                        sx={{ p: 0.5 }}
                                    />
                                </td>
                            )}
                            <th scope="row">
                                {part && onPart && !again ? (
                                    <Button color="inherit" size="small" sx={{ p: 0, minWidth: 0, textAlign: 'left' }} onClick={() => onPart(part)}>
                                        {subject}
                                    </Button>
                                ) : (
                                    <Box component="span" sx={again ? { color: 'text.secondary' } : undefined}>
                                        {subject}
                                    </Box>
                                )}
                            </th>
                            <td>{property}</td>
                            <Value text={difference.from} />
                            <Value text={difference.to} />
                        </tr>
                    );
                })}
            </tbody>
        </Box>
    );
}

const Value = ({ text }: { text: string | null }) => <td className={text === null ? 'value none' : 'value'}>{text ?? 'not there'}</td>;
