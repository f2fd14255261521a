import Box from '@mui/material/Box';
import { verdictColours } from '../theme/verdicts';
import type { Row } from './table';

interface Props {
    label: string;
    rows: readonly Row[];
    names: readonly string[];
    base: number;
    onBase: (column: number) => void;
}

/** One row for each thing, one column for each variant, with what it changes against the base; the best in a row is marked. */
export function CompareTable({ label, rows, names, base, onBase }: Props) {
    const bounds = rows.some(({ bound }) => bound !== '');
    return (
        <Box
            component="table"
            aria-label={label}
            sx={{
                borderCollapse: 'collapse',
                width: '100%',
                fontSize: 13,
                fontVariantNumeric: 'tabular-nums',
                '& th, & td': { p: '4px 10px', borderBottom: 1, borderColor: 'divider', textAlign: 'right', whiteSpace: 'nowrap' },
                '& th': { fontWeight: 450 },
                '& th[scope="row"], & thead th:first-of-type': { textAlign: 'left' },
                '& thead th': { position: 'sticky', top: 0, bgcolor: 'background.paper', color: 'text.secondary', zIndex: 1 },
                '& button': {
                    font: 'inherit',
                    color: 'inherit',
                    background: 'none',
                    border: 0,
                    p: 0,
                    cursor: 'pointer',
                    textDecoration: 'underline dotted',
                    textUnderlineOffset: 3,
                },
            }}
        >
            <thead>
                <tr>
                    <th scope="col">{label}</th>
                    {bounds && <th scope="col">bound</th>}
                    {names.map((name, n) => (
                        <Heading key={`${n} ${name}`} name={name} isBase={n === base} onBase={() => onBase(n)} />
                    ))}
                </tr>
            </thead>
            <tbody>
                {rows.map((row) => (
                    <tr key={row.id}>
                        <th scope="row">{row.name}</th>
                        {bounds && <td>{row.bound}</td>}
                        {row.cells.map((cell, n) => [
                            <Box
                                component="td"
                                key={`${n} value`}
                                sx={{ color: cell?.verdict && cell.verdict !== 'met' ? verdictColours[cell.verdict] : undefined }}
                            >
                                {cell === null ? (
                                    <Box component="span" sx={{ color: 'text.secondary' }}>
                                        not there
                                    </Box>
                                ) : (
                                    <Box
                                        component="span"
                                        title={cell.best ? 'best in the row' : undefined}
                                        sx={cell.best ? { fontWeight: 650, borderBottom: 2, borderColor: 'success.main', pb: '1px' } : undefined}
                                    >
                                        {cell.text}
                                        {cell.verdict === 'undecided' && ' undecided'}
                                        {cell.verdict === 'missed' && ' missed'}
                                    </Box>
                                )}
                            </Box>,
                            n !== base && (
                                <Box
                                    component="td"
                                    key={`${n} delta`}
                                    sx={{ color: cell?.delta?.good == null ? 'text.secondary' : cell.delta.good ? 'success.main' : 'error.main' }}
                                >
                                    {cell?.delta?.text ?? ''}
                                </Box>
                            ),
                        ])}
                    </tr>
                ))}
            </tbody>
        </Box>
    );
}

function Heading({ name, isBase, onBase }: { name: string; isBase: boolean; onBase: () => void }) {
    return (
        <>
            <th scope="col">
                {isBase ? (
                    <>{name} (base)</>
                ) : (
                    <button type="button" title={`Hold all against ${name}`} onClick={onBase}>
                        {name}
                    </button>
                )}
            </th>
            {!isBase && (
                <th scope="col" aria-label={`Change of ${name} against the base`}>
                    Δ
                </th>
            )}
        </>
    );
}
