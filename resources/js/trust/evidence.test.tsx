// @vitest-environment jsdom
import { render, screen, within as inside } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Evidence } from '../api/types';
import { answering, Frame, press } from '../fixtures';
import { covered, linesOf, tally, type EvidenceCase } from './evidence';
import { EvidenceDialog } from './EvidenceDialog';

const slab: EvidenceCase = {
    id: 'P1',
    title: 'Slab',
    source: 'Closed form',
    covers: ['conduction'],
    stated: [{ quantity: 'hot side', unit: 'degC', reference: 80, computed: 80.5, tolerance: 1 }],
    working: [
        { quantity: 'hot side', unit: 'degC', reference: 80, computed: 82, tolerance: 1, plusMinus: 1.5, cells: 4000 },
        { quantity: 'cold side', unit: 'degC', reference: 20, computed: 20.2, tolerance: 1, plusMinus: null, cells: 4000 },
    ],
    ended: null,
};
const step: EvidenceCase = { ...slab, id: 'P2', title: 'Step', covers: ['driven'], working: null, ended: 'The flow never came to rest.' };
const evidence: Evidence = {
    mechanisms: [
        { id: 'conduction', title: 'Conduction in solids', used: true },
        { id: 'driven', title: 'Driven flow', used: false },
        { id: 'fins', title: 'Fins', used: true },
    ],
    cases: [slab, step],
};

describe('evidence', () => {
    it('counts what is within its tolerance and in its ±, on both kinds of grid', () => {
        expect(tally([slab, step])).toEqual({
            stated: { values: 2, within: 2, claimed: 0, covered: 0 },
            working: { values: 2, within: 1, claimed: 1, covered: 0 },
        });
        expect(covered({ ...slab.working![0]!, plusMinus: 2.5 })).toBe(true);
    });

    it('sets the errors of a quantity side by side', () => {
        expect(linesOf(slab)).toMatchObject([
            { quantity: 'hot side', stated: 0.5, working: 2, plusMinus: 1.5 },
            { quantity: 'cold side', stated: null, plusMinus: null },
        ]);
    });

    it('says what this model uses, what has no case, and shows the cases of one mechanism', async () => {
        answering({ 'GET /api/variants/4/evidence': evidence });
        render(
            <Frame>
                <EvidenceDialog variant={4} onClose={() => undefined} />
            </Frame>,
        );
        const uses = await screen.findByRole('region', { name: 'What this model uses' });
        expect(inside(uses).getByText('Fins: no case')).toBeVisible();
        expect(inside(uses).queryByText(/Driven flow/)).toBeNull();
        expect(screen.getByText(/At Working it ended without an answer/)).toBeVisible();
        await press('Conduction in solids: 1 case');
        expect(screen.queryByText(/At Working it ended without an answer/)).toBeNull();
        expect(screen.getByText('outside +2')).toBeVisible();
    });
});
