import type { Finding, Outline, OutlinePart } from '../api/types';
import { originOf, partEntry, withPartFields, type ModelDocument } from './document';
import { facesOf, heatOfKind, withFaceHeat } from './heat';
import { withoutParameter } from './parameters';
import { isDevice } from './partKinds';
import { withoutParts } from './parts';
import { fittedBox, sideNames, sideOf, withCurrents, withFlow, withGravity, withSide, withSpace, type SideName } from './space';

/** What preflight offers to do at once about what it found. */
export type Mend = NonNullable<Finding['mend']> | 'drop' | 'merge';

type About = Pick<Finding, 'parts' | 'subject'>;

interface Offer {
    label: (about: About) => string;
    change: (document: ModelDocument, outline: Outline, about: About) => ModelDocument;
}

const withEach = (
    document: ModelDocument,
    ids: readonly string[],
    fields: (part: NonNullable<ReturnType<typeof partEntry>>) => Record<string, unknown>,
): ModelDocument =>
    ids.reduce((d, id) => {
        const part = partEntry(d, id);
        return part ? withPartFields(d, [id], fields(part)) : d;
    }, document);

/** Metres within which two parts touch. */
const TOUCH = 1e-6;

/** The larger part that a part touches over the longest way. */
function hostOf(part: OutlinePart, outline: Outline, small: readonly string[]): OutlinePart | undefined {
    const common = (other: OutlinePart) => [0, 1, 2].map((n) => Math.min(part.max[n]!, other.max[n]!) - Math.max(part.min[n]!, other.min[n]!));
    return outline.parts
        .filter((other) => !small.includes(other.id) && !isDevice(other.kind) && other.material !== 'fluid' && common(other).every((length) => length > -TOUCH))
        .sort((a, b) => common(b).reduce((x, y) => x + y, 0) - common(a).reduce((x, y) => x + y, 0))[0];
}

/** Takes small parts away and gives their watts to the parts they touch; those that touch nothing stay. */
function withMerged(document: ModelDocument, outline: Outline, ids: readonly string[]): ModelDocument {
    return ids.reduce((d, id) => {
        const part = outline.parts.find((p) => p.id === id);
        const host = part && hostOf(part, outline, ids);
        const power = partEntry(d, id)?.power;
        const before = host && partEntry(d, host.id)?.power;
        // Watts over time, or under control, are not to be added.
        if (!host || typeof power === 'object' || typeof before === 'object') return d;
        const heated = power === undefined ? d : withPartFields(d, [host.id], { power: before === undefined ? power : `${before} + ${power}` });
        return withoutParts(heated, [originOf(id)]);
    }, document);
}

export const mends: Record<Mend, Offer> = {
    films: {
        label: () => 'Convection on all walls',
        change: (d) =>
            sideNames
                .filter((side) => (sideOf(d, side).kind ?? 'wall') === 'wall')
                .reduce((doc, side) => withSide(doc, side, (entry) => ({ ...entry, heat: heatOfKind('film') })), d),
    },
    outlet: {
        label: ({ subject }) => `Side ${subject} as outlet`,
        change: (d, _outline, { subject }) => withSide(d, subject as SideName, () => ({ kind: 'outlet' })),
    },
    'moving air': { label: () => 'Let the air move', change: (d) => withFlow(d, 'auto') },
    currents: { label: () => 'Compute the currents', change: (d) => withCurrents(d, true) },
    gravity: { label: () => 'Gravity down', change: (d) => withGravity(d, 'z-') },
    room: { label: () => 'Make room for warm air', change: (d, outline) => withSpace(d, { box: fittedBox(outline.parts, 'rising', outline.gravity) }) },
    'no watts': { label: () => 'Take its watts away', change: (d, _outline, { parts }) => withPartFields(d, parts, { power: undefined }) },
    'watts only': {
        label: () => 'Keep its watts only',
        change: (d, _outline, { parts }) =>
            withEach(d, parts, (part) => ({
                source: undefined,
                faces: Object.entries(facesOf(part))
                    .filter(([, face]) => ['flux', 'power'].includes(face.heat?.kind ?? ''))
                    .reduce((entry, [face]) => ({ ...entry, ...withFaceHeat(entry, face, undefined) }), part).faces,
            })),
    },
    'no face heat': {
        label: () => 'Take it off the face',
        change: (d, _outline, { parts, subject }) => withEach(d, parts, (part) => withFaceHeat(part, subject!, undefined)),
    },
    'no parameter': { label: ({ subject }) => `Remove ${subject}`, change: (d, _outline, { subject }) => withoutParameter(d, subject!) },
    drop: { label: ({ parts }) => (parts.length === 1 ? 'Remove it' : 'Remove them'), change: (d, _outline, { parts }) => withoutParts(d, parts) },
    merge: {
        label: ({ parts }) => `Merge with what ${parts.length === 1 ? 'it touches' : 'they touch'}`,
        change: (d, outline, { parts }) => withMerged(d, outline, parts),
    },
};
