import { meshBody, surfaceNotes, welded } from './meshBody';
import { ImportError, type ImportPlan } from './plan';

interface KernelMesh {
    name: string;
    /** Shares of red, green and blue. */
    color?: number[];
    attributes: { position: { array: number[] } };
    index: { array: number[] };
}

/** A product of the file: its name, the solids it is made of, and its parts. */
interface KernelNode {
    name: string;
    meshes: number[];
    children: KernelNode[];
}

interface Found {
    success: boolean;
    root: KernelNode;
    meshes: KernelMesh[];
}

/** Lets the geometry kernel read a file in a worker of its own. */
function readByKernel(bytes: Uint8Array): Promise<Found> {
    const worker = new Worker(new URL('./stepWorker.ts', import.meta.url), { type: 'module' });
    return new Promise<Found>((resolve, reject) => {
        worker.onmessage = ({ data }: MessageEvent<{ found?: Found; error?: string }>) => (data.found ? resolve(data.found) : reject(new Error(data.error)));
        worker.onerror = (event) => reject(new Error(event.message || 'the geometry kernel could not be loaded'));
        worker.postMessage({ bytes, options: TESSELLATION }, [bytes.buffer]);
    }).finally(() => worker.terminate());
}

/** What the kernel calls a solid that has no name of its own. */
const NAMELESS = /^(solid|shell|compound|compsolid)?\s*\d*$/i;

/** The name of a solid; that of its product where it has none of its own. */
export const solidName = (own: string, product: string | undefined, file: string): string => (NAMELESS.test(own.trim()) ? product : own.trim()) || file;

/** Names of the products that the solids belong to, by the number of the solid. */
export function productNames(node: KernelNode, found = new Map<number, string>()): Map<number, string> {
    for (const mesh of node.meshes) if (node.name.trim() !== '') found.set(mesh, node.name.trim());
    for (const child of node.children) productNames(child, found);
    return found;
}

const MOST_BYTES = 60e6;

/** Facets of one body that the model takes; see the core. */
const MOST_FACETS = 60_000;

/** Corners that two faces of a solid share differ by rounding only. */
const WELD = 1e-7;

/** How far facets may be from the true surface, as a share of the size of the body, and how far neighbours may turn, rad. */
const TESSELLATION = { linearUnit: 'millimeter', linearDeflectionType: 'bounding_box_ratio', linearDeflection: 0.002, angularDeflection: 0.35 };

const hex = (colour: number[] | undefined): string | undefined =>
    colour?.length === 3
        ? `#${colour
              .map((share) =>
                  Math.round(255 * Math.min(Math.max(share, 0), 1))
                      .toString(16)
                      .padStart(2, '0'),
              )
              .join('')}`
        : undefined;

/** Solids of a STEP file (AP203, AP214, AP242), each as a body with the name and colour it has there. The kernel is loaded when a file is chosen. */
export async function readStep(bytes: ArrayBuffer, fileName: string): Promise<ImportPlan> {
    if (bytes.byteLength > MOST_BYTES)
        throw new ImportError(
            `The file has ${Math.round(bytes.byteLength / 1e6)} MB; up to ${MOST_BYTES / 1e6} MB are taken. Export only the parts that matter for heat.`,
        );
    const text = new TextDecoder('latin1').decode(bytes.slice(0, 2000));
    if (!/ISO-10303-21/.test(text)) throw new ImportError('This is not a STEP file: its first line should say ISO-10303-21.');
    if (!/END-ISO-10303-21/.test(new TextDecoder('latin1').decode(bytes.slice(-2000))))
        throw new ImportError('The file ends before its END-ISO-10303-21: it is cut off. Export or copy it again.');
    const found = await readByKernel(new Uint8Array(bytes));
    const products = found.success ? productNames(found.root) : new Map<number, string>();
    const meshes = found.success ? found.meshes.map((mesh, n) => ({ ...mesh, product: products.get(n) })).filter((mesh) => mesh.index.array.length >= 12) : [];
    if (meshes.length === 0)
        throw new ImportError('The file holds no solid or surface that can be read; drawings, curves and empty assemblies have no volume.');

    const stem = fileName.replace(/\.[^.]*$/, '');
    const taken = new Map<string, number>();
    const bodies = meshes.map((mesh) => {
        const wanted = solidName(mesh.name, mesh.product, stem);
        const count = (taken.get(wanted) ?? 0) + 1;
        taken.set(wanted, count);
        const { vertices, triangles } = welded(mesh.attributes.position.array, mesh.index.array, WELD);
        const body = meshBody(count > 1 ? `${wanted} ${count}` : wanted, vertices, triangles, 1e-3);
        const colour = hex(mesh.color);
        return colour ? { ...body, fields: { ...body.fields, colour } } : body;
    });
    const fine = bodies.filter((body) => Number.parseInt(body.note, 10) > MOST_FACETS);
    if (fine.length > 0)
        throw new ImportError(
            `"${fine[0]!.name}" would have ${fine[0]!.note}; at most ${MOST_FACETS} are taken. Remove threads, text and small rounds where the file comes from.`,
        );
    return {
        bodies,
        notes: [
            'Curved faces became facets, within 0.2 % of the size of each body',
            'Sketches and assembly constraints are left out; of several colours of a body one is kept',
            ...surfaceNotes(bodies),
        ],
    };
}
