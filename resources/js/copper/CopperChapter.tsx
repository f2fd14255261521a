import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import type { Result, Revision } from '../api/types';
import { Chapter } from '../inspector/Chapter';
import { editPart, type ShapeProps } from '../inspector/ShapeField';
import { Readiness } from './Readiness';
import { copperLayers, copperOf, hasArtwork } from '../model/copper';
import { nextToDraw, withNextDrawn } from '../model/drawn';
import { quietly } from '../model/partCommands';

const ArtworkDialog = lazy(() => import('./ArtworkDialog'));
const CopperDialog = lazy(() => import('./CopperDialog'));
const CurrentsDialog = lazy(() => import('./CurrentsDialog'));

const of = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;

interface Props {
    board: ShapeProps;
    revision: Revision;
    /** Of the model as it is now. */
    result: { run: number; picture: number; document: Result } | null;
}

/** The copper of a board: its artwork, its nets and terminals, and the currents that were computed. */
export function CopperChapter({ board, revision, result }: Props) {
    const [open, setOpen] = useState<'artwork' | 'copper' | 'currents' | null>(null);
    const close = () => setOpen(null);
    const boards = result?.document.electric?.boards ?? [];
    const number = boards.findIndex(({ part }) => part === board.entry.id);
    const known = hasArtwork(board.entry);
    const terminals = copperOf(board.entry).terminals ?? [];
    const next = nextToDraw(board.entry);
    return (
        <Chapter title="Copper" fields>
            <Typography variant="body2" color="text.secondary" sx={{ mb: 0.75 }}>
                {known
                    ? `${of(copperLayers(board.entry).length, 'layer')} with artwork, ${of(terminals.length, 'terminal')}.`
                    : 'Known by its share in each layer. With artwork it conducts as it lies, and can carry currents.'}
            </Typography>
            {known && terminals.length > 0 && number < 0 && <Readiness revision={revision} part={board.entry.id} />}
            <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 0.75 }}>
                {number >= 0 && (
                    <Button size="small" variant="contained" onClick={() => setOpen('currents')}>
                        Currents
                    </Button>
                )}
                {known && (
                    <Button size="small" variant="outlined" onClick={() => setOpen('copper')}>
                        Nets and terminals
                    </Button>
                )}
                <Button
                    size="small"
                    variant={known ? 'text' : 'outlined'}
                    color={known ? 'inherit' : 'primary'}
                    disabled={board.disabled}
                    onClick={() => setOpen('artwork')}
                >
                    {known ? 'Other artwork' : 'Import artwork'}
                </Button>
                {next !== null && (
                    <Button
                        size="small"
                        variant="outlined"
                        disabled={board.disabled}
                        onClick={() => quietly(editPart(board, `copper on ${next}`, withNextDrawn).then(() => setOpen('copper')))}
                    >
                        {known ? `Draw ${next}` : 'Draw copper'}
                    </Button>
                )}
            </Stack>
            <Suspense fallback={null}>
                {open === 'artwork' && <ArtworkDialog board={board} onClose={close} />}
                {open === 'copper' && <CopperDialog board={board} revision={revision} onClose={close} />}
                {open === 'currents' && result && number >= 0 && (
                    <CurrentsDialog number={number} currents={boards[number]!} run={result.run} picture={result.picture} board={board} onClose={close} />
                )}
            </Suspense>
        </Chapter>
    );
}
