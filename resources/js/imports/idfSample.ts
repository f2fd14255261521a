/** A component of a made-up board: package and part, outline in mm, height. */
export interface SamplePackage {
    geometry: string;
    part: string;
    size: [number, number, number];
}

const rectangle = (x0: number, y0: number, x1: number, y1: number): string =>
    [
        [x0, y0],
        [x1, y0],
        [x1, y1],
        [x0, y1],
        [x0, y0],
    ]
        .map(([x, y]) => `0 ${x} ${y} 0`)
        .join('\n');

const header = (kind: string, board: string): string => `.HEADER\n${kind} 3.0 "Made up" 2026/11/24.10:00:00 1\n${board}.END_HEADER\n`;

/** The board file of an IDF 3.0 pair for tests: a rectangle of 1.6 mm with holes and placed components, in mm. */
export function sampleBoard(size: [number, number], placements: readonly string[], holes = 0): string {
    return [
        header('BOARD_FILE', '"mast gateway" MM\n'),
        `.BOARD_OUTLINE ECAD\n1.6\n${rectangle(0, 0, ...size)}\n.END_BOARD_OUTLINE\n`,
        holes > 0 ? `.DRILLED_HOLES\n${Array.from({ length: holes }, (_h, n) => `3.0 ${5 + n} 5 PTH BOARD MTG ECAD`).join('\n')}\n.END_DRILLED_HOLES\n` : '',
        `.PLACEMENT\n${placements.join('\n')}\n.END_PLACEMENT\n`,
    ].join('');
}

/** The library file that goes with it; outlines are centred, or from their corner. */
export function sampleLibrary(packages: readonly SamplePackage[], centred: boolean): string {
    const body = ({ geometry, part, size: [x, y, z] }: SamplePackage) =>
        `.ELECTRICAL\n"${geometry}" "${part}" MM ${z}\n${centred ? rectangle(-x / 2, -y / 2, x / 2, y / 2) : rectangle(0, 0, x, y)}\n.END_ELECTRICAL\n`;
    return header('LIBRARY_FILE', '') + packages.map(body).join('');
}
