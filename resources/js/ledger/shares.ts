import type { OutlinePart } from '../api/types';

export interface Share {
    name: string;
    ids: string[];
    power: number;
    /** Of all watts, 0 to 1. */
    share: number;
}

/** The parts with the most watts, and what the others have together; nothing where no part heats. */
export function shareOut(parts: readonly Pick<OutlinePart, 'id' | 'name' | 'power'>[], most: number): Share[] {
    const heating = parts.filter((part) => part.power > 0).sort((a, b) => b.power - a.power);
    const total = heating.reduce((sum, part) => sum + part.power, 0);
    const share = (name: string, of: typeof heating): Share => {
        const power = of.reduce((sum, part) => sum + part.power, 0);
        return { name, ids: of.map((part) => part.id), power, share: power / total };
    };
    const alone = heating.length <= most ? heating.length : most - 1;
    const rest = heating.slice(alone);
    return [...heating.slice(0, alone).map((part) => share(part.name, [part])), ...(rest.length > 0 ? [share(`${rest.length} others`, rest)] : [])];
}
