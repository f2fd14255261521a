import type { ModelDocument } from '../model/document';
import { candidates, type Candidate } from '../tolerances/tolerances';

/** Other loads of the same design: values by the name of a parameter, or by the path of a field. */
export interface PointEntry {
    name: string;
    values: Record<string, string | number>;
}

/** Names that a first, second and third operating point get. */
const NAMES = ['Idle', 'Full', 'Fault'];

export const pointsOf = (document: ModelDocument): PointEntry[] => (document.operatingPoints as PointEntry[] | undefined) ?? [];

const put = (document: ModelDocument, points: PointEntry[]): ModelDocument => {
    const { operatingPoints: _before, ...rest } = document;
    return points.length > 0 ? { ...rest, operatingPoints: points } : rest;
};

/** What an operating point may change: shapes and places are those of the design. */
export const loadsOf = (document: ModelDocument): Candidate[] => candidates(document).filter(({ of }) => !/^parts\/.*\/(shape|at|turn)\b/.test(of));

const freeName = (points: readonly PointEntry[]): string =>
    [...NAMES, ...points.map((_point, n) => `Point ${n + 4}`), 'Point'].find((name) => points.every((point) => point.name !== name))!;

/** With a further operating point, at which a value is still what it is now. */
export const withPoint = (document: ModelDocument, { of, formula }: Candidate): ModelDocument => {
    const points = pointsOf(document);
    return put(document, [...points, { name: freeName(points), values: { [of]: formula } }]);
};

const changed = (document: ModelDocument, name: string, change: (point: PointEntry) => PointEntry): ModelDocument =>
    put(
        document,
        pointsOf(document).map((point) => (point.name === name ? change(point) : point)),
    );

export const withNameOfPoint = (document: ModelDocument, name: string, to: string): ModelDocument =>
    changed(document, name, (point) => ({ ...point, name: to }));

export const withValueOfPoint = (document: ModelDocument, name: string, of: string, value: string): ModelDocument =>
    changed(document, name, (point) => ({ ...point, values: { ...point.values, [of]: value } }));

/** Without a value; the last one takes its operating point with it. */
export const withoutValueOfPoint = (document: ModelDocument, name: string, of: string): ModelDocument =>
    without(document, (path, point) => point !== name || path !== of);

export const withoutPoint = (document: ModelDocument, name: string): ModelDocument =>
    put(
        document,
        pointsOf(document).filter((point) => point.name !== name),
    );

/** Without values of parts that are gone. */
export const withoutPointsOf = (document: ModelDocument, parts: readonly string[]): ModelDocument =>
    document.operatingPoints === undefined ? document : without(document, (of) => !parts.some((part) => of.startsWith(`parts/${part}/`)));

function without(document: ModelDocument, keeps: (of: string, point: string) => boolean): ModelDocument {
    const points = pointsOf(document).map(({ name, values }) => ({
        name,
        values: Object.fromEntries(Object.entries(values).filter(([of]) => keeps(of, name))),
    }));
    return put(
        document,
        points.filter(({ values }) => Object.keys(values).length > 0),
    );
}

/** With another name of a parameter whose values they give. */
export const withRenamedInPoints = (document: ModelDocument, from: string, to: string): ModelDocument =>
    document.operatingPoints === undefined
        ? document
        : put(
              document,
              pointsOf(document).map(({ name, values }) => ({
                  name,
                  values: Object.fromEntries(Object.entries(values).map(([of, value]) => [of === from ? to : of, value])),
              })),
          );
