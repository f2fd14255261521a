import { useEffect, useState } from 'react';
import { editPart, type ShapeProps } from '../inspector/ShapeField';
import { drawnKinds, drawnOn, fewestPoints, pickedPiece, withDrawn, type DrawnKind } from '../model/drawn';
import { quietly } from '../model/partCommands';

/** m: what is drawn by hand lies on tenths of a millimetre. */
const STEP = 1e-4;

export interface Drawing {
    /** Of the piece that is being drawn; null: none. */
    kind: DrawnKind | null;
    /** m. */
    points: readonly (readonly number[])[];
    /** Whether it has points enough to be ended. */
    isWhole: boolean;
    begin: (kind: DrawnKind | null) => void;
    add: (place: readonly number[]) => void;
    end: () => void;
}

/** Copper that is drawn on a layer by clicks: a pad by one, a track or pour by as many as it takes; Enter ends it, Escape gives it up. */
export function useDrawing(board: ShapeProps, layer: string, onDrawn: (n: number) => void): Drawing {
    const [kind, setKind] = useState<DrawnKind | null>(null);
    const [points, setPoints] = useState<(readonly number[])[]>([]);
    const isWhole = kind !== null && points.length >= fewestPoints[kind];
    const begin = (next: DrawnKind | null) => {
        setKind(next);
        setPoints([]);
    };
    const draw = (places: readonly (readonly number[])[]) => {
        if (kind === null) return;
        begin(null);
        onDrawn(drawnOn(board.entry, layer).length);
        quietly(editPart(board, `${drawnKinds[kind].toLowerCase()} on ${layer}`, (present) => withDrawn(present, layer, Infinity, pickedPiece(kind, places))));
    };
    const add = (place: readonly number[]) => {
        const snapped = place.map((m) => Math.round(m / STEP) * STEP);
        if (kind === 'pad') draw([snapped]);
        else setPoints([...points, snapped]);
    };
    const end = () => {
        if (isWhole) draw(points);
    };
    useEffect(() => {
        if (kind === null) return;
        const pressed = (event: KeyboardEvent) => {
            if ((event.target as HTMLElement).tagName === 'INPUT' || !['Enter', 'Backspace', 'Escape'].includes(event.key)) return;
            // Neither the dialog around it nor the button with the focus is meant.
            event.preventDefault();
            event.stopPropagation();
            if (event.key === 'Enter') end();
            else if (event.key === 'Escape') begin(null);
            else setPoints((now) => now.slice(0, -1));
        };
        window.addEventListener('keydown', pressed, true);
        return () => window.removeEventListener('keydown', pressed, true);
    });
    return { kind, points, isWhole, begin, add, end };
}

/** The points so far as a path of a LayerPicture, with the place of the pointer as the next. */
export const pathOf = (points: readonly (readonly number[])[], next: readonly number[] | null): string | undefined =>
    points.length === 0 ? undefined : [...points, ...(next ? [next] : [])].map(([x, y], n) => `${n === 0 ? 'M' : 'L'}${1e3 * x!} ${-1e3 * y!}`).join('');
