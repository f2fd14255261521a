import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { Chapter } from '../inspector/Chapter';
import { EditField } from '../inspector/EditField';
import { Removable } from '../inspector/Removable';
import { editPart, type ShapeProps } from '../inspector/ShapeField';
import { padsFrom, padsText } from '../model/copper';
import { drawnKinds, drawnOn, fewestPoints, withDrawn, type DrawnEntry } from '../model/drawn';
import { quietly } from '../model/partCommands';
import { textOf } from '../model/text';
import { lengthUnit, typed } from '../units/units';
import { PairFields } from './PairFields';

interface Props {
    board: ShapeProps;
    layer: string;
    /** Number of the piece that is open. */
    lit: number | null;
    onLit: (n: number | null) => void;
}

/** What is drawn by hand on the layer on screen; the piece that is lit is open to be changed. */
export function DrawnCopper({ board, layer, lit, onLit }: Props) {
    const pieces = drawnOn(board.entry, layer);
    if (pieces.length === 0) return null;
    return (
        <Chapter title={`Drawn on ${layer}`} fields>
            {pieces.map((piece, n) =>
                n === lit ? (
                    <OpenPiece key={n} board={board} layer={layer} piece={piece} n={n} onLit={onLit} />
                ) : (
                    <Button key={n} size="small" color="inherit" fullWidth onClick={() => onLit(n)} sx={{ justifyContent: 'space-between' }}>
                        {titleOf(piece, n)}
                        <Typography component="span" variant="body2" color="text.secondary">
                            {[piece.clear ? 'takes copper away' : '', piece.net ?? ''].filter(Boolean).join(' · ')}
                        </Typography>
                    </Button>
                ),
            )}
        </Chapter>
    );
}

const titleOf = ({ kind }: DrawnEntry, n: number): string => `${drawnKinds[kind]} ${n + 1}`;

function OpenPiece({ board, layer, piece, n, onLit }: Omit<Props, 'lit'> & { piece: DrawnEntry; n: number }) {
    const unit = lengthUnit(board.units);
    const title = titleOf(piece, n);
    const set = (label: string, change: Partial<DrawnEntry> | undefined) =>
        editPart(board, `${title.toLowerCase()} on ${layer}: ${label}`, (entry) => withDrawn(entry, layer, n, change && { ...piece, ...change }));
    const length = (field: 'width' | 'diameter', label: string) => (
        <EditField
            label={label}
            value={textOf(piece[field])}
            disabled={board.disabled}
            save={(text) => set(`${label.toLowerCase()} ${typed(text, unit)}`, { [field]: typed(text, unit) })}
        />
    );
    const pair = (field: 'at' | 'size', labels: readonly [string, string]) => (
        <PairFields labels={labels} pair={piece[field]} unit={unit} disabled={board.disabled} save={(label, next) => set(label, { [field]: next })} />
    );
    return (
        <Removable label={title} disabled={board.disabled} remove={() => quietly(set('removed', undefined).then(() => onLit(null)))}>
            {piece.kind === 'track' && length('width', 'Width')}
            {piece.kind === 'pad' && pair('at', ['Middle x', 'Middle y'])}
            {piece.kind === 'pad' && (piece.diameter === undefined ? pair('size', ['Width', 'Height']) : length('diameter', 'Diameter'))}
            {piece.kind !== 'pad' && (
                <EditField
                    label={piece.kind === 'track' ? 'Points, x, y; x, y' : 'Corners, x, y; x, y'}
                    value={padsText(piece.points)}
                    disabled={board.disabled}
                    save={(text) => {
                        const points = padsFrom(text, unit);
                        return points === null || points.length < fewestPoints[piece.kind]
                            ? Promise.reject(new Error(`at least ${fewestPoints[piece.kind]} pairs such as "12 mm, 5 mm; 14 mm, 5 mm" are needed`))
                            : set(`${points.length} points`, { points });
                    }}
                />
            )}
            <EditField
                label="Net"
                hint="none; found by what it touches"
                value={piece.net ?? ''}
                disabled={board.disabled}
                save={(net) => set(net === '' ? 'no net' : `net ${net}`, { net: net === '' ? undefined : net })}
            />
            <FormControlLabel
                label="Takes copper away"
                control={
                    <Checkbox
                        size="small"
                        checked={piece.clear === true}
                        disabled={board.disabled}
                        onChange={(event) =>
                            quietly(set(event.target.checked ? 'takes copper away' : 'is copper', { clear: event.target.checked || undefined }))
                        }
                    />
                }
            />
        </Removable>
    );
}
