import {
    BackSide,
    ClampToEdgeWrapping,
    Data3DTexture,
    DataTexture,
    DoubleSide,
    FloatType,
    FrontSide,
    GLSL3,
    LinearFilter,
    NearestFilter,
    Plane,
    RedFormat,
    RGFormat,
    RGBAFormat,
    ShaderMaterial,
    UnsignedByteType,
    Vector3,
} from 'three';
import { cellHints, DEPTHS, textureData, type Field } from './field';
import { palettes, scaleBytes, type PaletteName } from './palettes';
import type { Scale } from './scale';

/** Places along an axis whose cell is told, for the search to begin there. */
const HINTS = 1024;

/** Of the light that a surface across it loses: shape reads, and colours stay those of the scale. */
const SHADE = 0.42;

const vertexShader = /* glsl */ `
    out vec3 vPlace;
    out vec3 vNormal;
    out vec3 vSeen;
    #include <clipping_planes_pars_vertex>
    void main() {
        vec4 world = modelMatrix * vec4(position, 1.0);
        vPlace = world.xyz;
        vNormal = normalize(mat3(modelMatrix) * normal);
        vSeen = normalize(mat3(viewMatrix) * vNormal);
        vec4 mvPosition = viewMatrix * world;
        #include <clipping_planes_vertex>
        gl_Position = projectionMatrix * mvPosition;
    }
`;

/** The colour of a value on the scale, and the light on a surface: a soft one from above the left shoulder of who looks, and the sky. */
export const colouring = /* glsl */ `
    uniform sampler2D palette;
    uniform float least;
    uniform float greatest;
    uniform float bands;
    uniform bool logarithmic;
    uniform float shade;
    uniform float lift;
    vec3 tintOf(float value) {
        float share = logarithmic ? log(max(value, least) / least) / log(greatest / least) : (value - least) / (greatest - least);
        share = clamp(share, 0.0, 1.0);
        if (bands > 0.5) share = (min(floor(share * bands), bands - 1.0) + 0.5) / bands;
        return texture(palette, vec2(share * ${255 / 256} + ${0.5 / 256}, 0.5)).rgb;
    }
    vec3 lit(vec3 tint, vec3 seen, float up) {
        float key = max(dot(normalize(seen), normalize(vec3(-0.35, 0.55, 0.76))), 0.0);
        float light = 1.0 - shade * (1.0 - 0.8 * key - 0.2 * (0.5 + 0.5 * up));
        return mix(tint * light, vec3(1.0), lift);
    }
`;

// Colours the surface of a part by the cells of that part alone, linearly between their centres: what lies next to it, as cold air, has
// no share in it. A section takes the cells of whatever it cuts at a place.
const fragmentShader = /* glsl */ `
    precision highp sampler3D;
    uniform sampler3D field;
    uniform sampler2D lines;
    uniform sampler2D hints;
    uniform vec3 low;
    uniform vec3 high;
    uniform float diagonal;
    uniform float owner;
    uniform float opacity;
    uniform float above;
    in vec3 vPlace;
    in vec3 vNormal;
    in vec3 vSeen;
    out vec4 colour;
    ${colouring}
    #include <clipping_planes_pars_fragment>
    ivec3 last() { return textureSize(field, 0) - 1; }
    float line(int axis, int n) { return texelFetch(lines, ivec2(n, axis), 0).r; }
    // The cell along an axis that holds a place.
    int cellAt(float x, int axis, int end) {
        float share = clamp((x - low[axis]) / (high[axis] - low[axis]), 0.0, 1.0);
        int c = int(texelFetch(hints, ivec2(int(share * float(${HINTS - 1})), axis), 0).r);
        for (int n = 0; n < 256; n++) {
            if (c >= end || line(axis, c + 1) > x) break;
            c++;
        }
        return c;
    }
    // The lower of the two centres beside a place, and the share of the way to the next.
    vec2 between(float x, int axis, int c, int end) {
        float from = line(axis, c);
        float to = line(axis, c + 1);
        float middle = 0.5 * (from + to);
        if (x < middle) return c == 0 ? vec2(0.0) : vec2(float(c - 1), (x - 0.5 * (line(axis, c - 1) + from)) / (middle - 0.5 * (line(axis, c - 1) + from)));
        return c == end ? vec2(float(c), 0.0) : vec2(float(c), (x - middle) / (0.5 * (to + line(axis, c + 2)) - middle));
    }
    // Value between the cells of one owner around a place, and their share of the eight; 0 where there is none.
    vec2 of(float who, vec3 at, ivec3 cell) {
        ivec3 end = last();
        vec2 x = between(at.x, 0, cell.x, end.x);
        vec2 y = between(at.y, 1, cell.y, end.y);
        vec2 z = between(at.z, 2, cell.z, end.z);
        ivec3 base = ivec3(x.x, y.x, z.x);
        vec3 f = vec3(x.y, y.y, z.y);
        vec2 sum = vec2(0.0);
        for (int n = 0; n < 8; n++) {
            ivec3 step = ivec3(n & 1, (n >> 1) & 1, n >> 2);
            vec2 found = texelFetch(field, min(base + step, end), 0).rg;
            vec3 w = mix(1.0 - f, f, vec3(step));
            sum += abs(found.g - who) < 0.5 ? w.x * w.y * w.z * vec2(found.r, 1.0) : vec2(0.0);
        }
        return vec2(sum.x / max(sum.y, 1e-6), sum.y);
    }
    ivec3 holding(vec3 at) {
        ivec3 end = last();
        return ivec3(cellAt(at.x, 0, end.x), cellAt(at.y, 1, end.y), cellAt(at.z, 2, end.z));
    }
    vec2 ofOwner(vec3 at) { return of(owner, at, holding(at)); }
    void main() {
        #include <clipping_planes_fragment>
        vec2 value;
        if (owner < 0.0) {
            ivec3 cell = holding(vPlace);
            float who = texelFetch(field, cell, 0).g;
            if (who < -0.5) discard;
            value = of(who, vPlace, cell);
        } else {
            value = ofOwner(vPlace - ${DEPTHS[0].toFixed(6)} * diagonal * vNormal);
            if (value.y < 1e-3) value = ofOwner(vPlace - ${DEPTHS[1].toFixed(6)} * diagonal * vNormal);
            if (value.y < 1e-3) value = ofOwner(vPlace - ${DEPTHS[2].toFixed(6)} * diagonal * vNormal);
        }
        if (value.y >= 1e-3 && value.r < above) discard;
        vec3 tint = value.y < 1e-3 ? vec3(0.6) : tintOf(value.r);
        colour = vec4(lit(tint, gl_FrontFacing ? vSeen : -vSeen, gl_FrontFacing ? vNormal.z : -vNormal.z), opacity);
    }
`;

export interface FieldTextures {
    field: Data3DTexture;
    lines: DataTexture;
    hints: DataTexture;
    low: Vector3;
    high: Vector3;
    dispose: () => void;
}

/** A texture with a row of numbers for each axis. */
function rowsTexture(rows: readonly (readonly number[])[]): DataTexture {
    const width = Math.max(...rows.map((row) => row.length));
    const data = new Float32Array(width * rows.length);
    rows.forEach((row, n) => data.set(row, n * width));
    const texture = new DataTexture(data, width, rows.length, RedFormat, FloatType);
    Object.assign(texture, { minFilter: NearestFilter, magFilter: NearestFilter, needsUpdate: true });
    return texture;
}

/** Uploads a field as it is; what its values look like is up to the materials. */
export function makeTextures(field: Field): FieldTextures {
    const volume = new Data3DTexture(textureData(field), ...field.cells);
    Object.assign(volume, {
        format: RGFormat,
        type: FloatType,
        minFilter: NearestFilter,
        magFilter: NearestFilter,
        wrapS: ClampToEdgeWrapping,
        wrapT: ClampToEdgeWrapping,
        wrapR: ClampToEdgeWrapping,
        unpackAlignment: 1,
        needsUpdate: true,
    });
    const lines = rowsTexture(field.lines);
    const hints = rowsTexture(field.lines.map((line) => cellHints(line, HINTS)));
    const low = new Vector3(...field.lines.map((line) => line[0]!));
    const high = new Vector3(...field.lines.map((line) => line.at(-1)!));
    return { field: volume, lines, hints, low, high, dispose: () => [volume, lines, hints].forEach((t) => t.dispose()) };
}

/** One small texture per palette, kept for good. */
const paletteTextures = new Map(
    (Object.keys(palettes) as PaletteName[]).map((name) => {
        const texture = new DataTexture(scaleBytes(name, 256), 256, 1, RGBAFormat, UnsignedByteType);
        Object.assign(texture, { minFilter: LinearFilter, magFilter: LinearFilter, needsUpdate: true });
        return [name, texture] as const;
    }),
);

/** Uniforms of the colouring above, before a scale is set. */
export const colouringUniforms = (shaded: boolean) => ({
    palette: { value: paletteTextures.get('heat') },
    least: { value: 0 },
    greatest: { value: 1 },
    bands: { value: 0 },
    logarithmic: { value: false },
    shade: { value: shaded ? SHADE : 0 },
    lift: { value: 0 },
});

/** Shows values by a palette between the ends of a scale. */
export function applyScale(material: ShaderMaterial, palette: PaletteName, scale: Scale): void {
    const { uniforms } = material;
    uniforms.palette!.value = paletteTextures.get(palette);
    uniforms.least!.value = scale.min;
    uniforms.greatest!.value = scale.max;
    uniforms.bands!.value = scale.bands;
    uniforms.logarithmic!.value = scale.logarithmic;
    material.uniformsNeedUpdate = true;
}

/** Stands for the owner of whatever a section cuts. */
const WHATEVER = -1;

/** Below every value. */
const NOTHING = -3e38;

/** From where a surface is seen. */
export type Side = 'front' | 'back' | 'both';

interface Options {
    side: Side;
    /** Whether light falls on it. */
    shaded: boolean;
    clips: Plane[];
    opacity?: number;
    /** Whose cells it shows; a section those of whatever it cuts. */
    owner?: number;
}

/** A material for sections and for parts; these set their own number and light with ofPart() before they are drawn. */
export function fieldMaterial(textures: FieldTextures, { side, shaded, clips, opacity = 1, owner = WHATEVER }: Options): ShaderMaterial {
    return new ShaderMaterial({
        glslVersion: GLSL3,
        vertexShader,
        fragmentShader,
        side: side === 'front' ? FrontSide : side === 'back' ? BackSide : DoubleSide,
        transparent: opacity < 1,
        depthWrite: opacity === 1,
        clipping: true,
        clippingPlanes: clips,
        uniforms: {
            ...colouringUniforms(shaded),
            field: { value: textures.field },
            lines: { value: textures.lines },
            hints: { value: textures.hints },
            low: { value: textures.low },
            high: { value: textures.high },
            diagonal: { value: textures.high.distanceTo(textures.low) },
            owner: { value: owner },
            opacity: { value: opacity },
            above: { value: NOTHING },
        },
    });
}

/** Lets a shared material draw one part: by its number among the owners of the cells, lighter when it is selected, and only where it is above a value. */
export function ofPart(material: ShaderMaterial, owner: number, selected: boolean, above: number | null): void {
    material.uniforms.owner!.value = owner;
    material.uniforms.lift!.value = selected ? 0.28 : 0;
    material.uniforms.above!.value = above ?? NOTHING;
    material.uniformsNeedUpdate = true;
}
