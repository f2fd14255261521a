// @vitest-environment jsdom
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { editing, fill, pick, press } from '../fixtures';
import type { ShapeProps } from '../inspector/ShapeField';
import type { DrawnEntry } from '../model/drawn';
import { DrawButtons } from './DrawButtons';
import { DrawnCopper } from './DrawnCopper';
import { useDrawing } from './useDrawing';

const board = {
    id: 'b',
    name: 'Board',
    shape: { kind: 'board', size: ['40 mm', '20 mm'], layers: [{ thickness: '1.5 mm' }, { name: 'Top', thickness: '35 um', copper: 0.5 }] },
};

/** The picture of a layer is clicked at two places. */
function Layer(part: ShapeProps) {
    const [lit, setLit] = useState<number | null>(null);
    const drawing = useDrawing(part, 'Top', setLit);
    return (
        <>
            <DrawButtons drawing={drawing} disabled={false} />
            <button onClick={() => drawing.add([0.00204, 0.005])}>here</button>
            <button onClick={() => drawing.add([0.03, 0.005])}>there</button>
            <DrawnCopper board={part} layer="Top" lit={lit} onLit={setLit} />
        </>
    );
}

const layer = () => {
    const made = editing({ parts: [board] }, (document, editor) => (
        <Layer entry={document.parts![0]!} name="Board" units="mm" editor={editor} disabled={false} />
    ));
    const drawn = () => (made.part('b').shape as unknown as { layers: { drawn?: DrawnEntry[] }[] }).layers[1]!.drawn;
    return { ...made, drawn };
};

describe('copper drawn on a layer', () => {
    it('is a track through the places that are clicked, and open to be changed', async () => {
        const { drawn, labels } = layer();
        await pick('Draw copper', 'Track');
        expect(screen.getByRole('button', { name: 'Click point 1 of at least 2' })).toBeDisabled();
        await press('here');
        await press('there');
        await press('End the track');
        const points = [
            ['2 mm', '5 mm'],
            ['30 mm', '5 mm'],
        ];
        expect(drawn()).toEqual([{ kind: 'track', points, width: '1 mm' }]);
        expect(labels).toEqual(['Board: track on Top']);
        await fill('Width', '2');
        await fill('Net', 'VBAT');
        await userEvent.click(screen.getByLabelText('Takes copper away'));
        expect(drawn()).toEqual([{ kind: 'track', points, width: '2 mm', net: 'VBAT', clear: true }]);
        await press('Remove track 1');
        expect(drawn()).toBeUndefined();
    });

    it('is given up by Escape, loses a point by Backspace, and is ended by Enter', async () => {
        const { drawn } = layer();
        await pick('Draw copper', 'Track');
        await press('here');
        await userEvent.keyboard('{Escape}');
        expect(screen.getByRole('button', { name: 'Draw copper' })).toBeInTheDocument();
        await pick('Draw copper', 'Track');
        await press('here');
        await press('there');
        await userEvent.keyboard('{Backspace}{Enter}');
        expect(drawn()).toBeUndefined();
        await press('there');
        await userEvent.keyboard('{Enter}');
        expect(drawn()).toHaveLength(1);
        await pick('Draw copper', 'Pad');
        await press('there');
        expect(drawn()?.[1]).toEqual({ kind: 'pad', at: ['30 mm', '5 mm'], size: ['3 mm', '2 mm'] });
    });
});
