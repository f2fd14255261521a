import type { Finding, GridReport, Outline } from '../api/types';
import type { Mend } from './mends';

/** Gaps of fewer cells are not resolved; see the core. */
const RESOLVED = 3;

/** A finding with all that can be done about it at once. */
export type Shown = Omit<Finding, 'mend'> & { mends: Mend[] };

/** A part below this share of the mean cell along every axis costs cells and shows nothing. */
const SMALL = 0.5;

/** What the grid of the chosen grade does to the parts. */
export function ofGrid(grid: GridReport, outline: Outline): Shown[] {
    const name = (id: string) => outline.parts.find((part) => part.id === id)?.name ?? id;
    const gaps = grid.features.filter((feature) => feature.feature === 'gap' && feature.cells < RESOLVED);
    const mean = grid.shape.map((cells, n) => (outline.space.max[n]! - outline.space.min[n]!) / cells);
    const small = outline.parts.filter((part) => mean.every((width, n) => part.max[n]! - part.min[n]! < SMALL * width));
    const warning = (stage: Finding['stage'], message: string, parts: string[], ways: Mend[] = []): Shown => ({
        severity: 'warning',
        stage,
        message,
        parts,
        subject: null,
        mends: ways,
    });
    return [
        ...(grid.shortfall === null ? [] : [warning('Solve', grid.shortfall, [])]),
        ...gaps.map((gap) =>
            warning(
                'Solve',
                `The gaps of "${name(gap.part)}" have ${gap.cells} ${gap.cells === 1 ? 'cell' : 'cells'} at this grade; where air moves, duct correlations stand for them.`,
                [gap.part],
            ),
        ),
        ...grid.steps.map((step) =>
            warning(
                'Solve',
                `"${name(step.part)}" stands askew to the grid; its steps have ${Math.round(100 * step.excess)} % more surface for the air than it has.`,
                [step.part],
            ),
        ),
        ...(small.length > 0
            ? [
                  warning(
                      'Build',
                      `${small.length} ${small.length === 1 ? 'part is' : 'parts are'} smaller than half a cell of this grid; each costs cells and changes little.`,
                      small.map((part) => part.id),
                      ['merge', 'drop'],
                  ),
              ]
            : []),
    ];
}
