import type { PartEntry } from './document';

/** Pairs of resistance and time constant of the network from a part to a junction in it; undefined where it has none. */
export const networkOf = (part: PartEntry): unknown[][] | undefined => (part.junction as { network?: unknown[][] } | undefined)?.network;
