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
import { scaleBytes } from './colours';
import { coordinateMap, textureData, type Field } from './field';

const MAP_STEPS = 1024;

const vertexShader = /* glsl */ `
    out vec3 vPlace;
    out vec3 vNormal;
    #include <clipping_planes_pars_vertex>
    void main() {
        vec4 world = modelMatrix * vec4(position, 1.0);
        vPlace = world.xyz;
        vNormal = normalize(mat3(modelMatrix) * normal);
        vec4 mvPosition = viewMatrix * world;
        #include <clipping_planes_vertex>
        gl_Position = projectionMatrix * mvPosition;
    }
`;

// Colours the surface of a part by the cells of that part alone, linearly between their centres: what lies next to it, as cold air, has
// no share in it. A section takes the cells of whatever it cuts at a place. A fixed soft light from above keeps the shape readable.
const fragmentShader = /* glsl */ `
    precision highp sampler3D;
    uniform sampler3D field;
    uniform sampler2D maps;
    uniform sampler2D scale;
    uniform vec3 low;
    uniform vec3 high;
    uniform float inset;
    uniform float shade;
    uniform float lift;
    uniform float owner;
    uniform float opacity;
    in vec3 vPlace;
    in vec3 vNormal;
    out vec4 colour;
    #include <clipping_planes_pars_fragment>
    float place(float share, int row) {
        float x = clamp(share, 0.0, 1.0) * float(${MAP_STEPS - 1});
        int i = min(int(x), ${MAP_STEPS - 2});
        return mix(texelFetch(maps, ivec2(i, row), 0).r, texelFetch(maps, ivec2(i + 1, row), 0).r, x - float(i));
    }
    // Where a place lies among the cells, in cells.
    vec3 among(vec3 at) {
        vec3 share = (at - low) / (high - low);
        return vec3(place(share.x, 0), place(share.y, 1), place(share.z, 2)) * vec3(textureSize(field, 0));
    }
    // Value between the cells of one owner around a place, and their share of the eight; 0 where there is none.
    vec2 of(float who, vec3 place) {
        ivec3 last = textureSize(field, 0) - 1;
        vec3 base = floor(place - 0.5);
        vec3 f = place - 0.5 - base;
        vec2 sum = vec2(0.0);
        for (int n = 0; n < 8; n++) {
            ivec3 step = ivec3(n & 1, (n >> 1) & 1, n >> 2);
            vec2 cell = texelFetch(field, clamp(ivec3(base) + step, ivec3(0), last), 0).rg;
            vec3 w = mix(1.0 - f, f, vec3(step));
            sum += abs(cell.g - who) < 0.5 ? w.x * w.y * w.z * vec2(cell.r, 1.0) : vec2(0.0);
        }
        return vec2(sum.x / max(sum.y, 1e-6), sum.y);
    }
    void main() {
        #include <clipping_planes_fragment>
        vec2 value;
        if (owner < 0.0) {
            vec3 at = among(vPlace);
            float who = texelFetch(field, clamp(ivec3(at), ivec3(0), textureSize(field, 0) - 1), 0).g;
            if (who < -0.5) discard;
            value = of(who, at);
        } else {
            // A round or turned part is made of steps; its true surface may lie outside them.
            value = of(owner, among(vPlace - inset * vNormal));
            if (value.y < 1e-3) value = of(owner, among(vPlace - 8.0 * inset * vNormal));
            if (value.y < 1e-3) value = of(owner, among(vPlace - 24.0 * inset * vNormal));
        }
        vec3 tint = value.y < 1e-3 ? vec3(0.6) : texture(scale, vec2(clamp(value.r, 0.0, 1.0), 0.5)).rgb;
        float light = 1.0 - shade * (0.5 - 0.35 * vNormal.z - 0.15 * vNormal.y);
        colour = vec4(mix(tint * light, vec3(1.0), lift), opacity);
    }
`;

export interface FieldTextures {
    field: Data3DTexture;
    maps: DataTexture;
    scale: DataTexture;
    low: Vector3;
    high: Vector3;
    dispose: () => void;
}

/** Uploads a field, its values mapped to 0..1 between the least and the greatest. */
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
    const rows = new Float32Array(3 * MAP_STEPS);
    field.lines.forEach((line, axis) => rows.set(coordinateMap(line, MAP_STEPS), axis * MAP_STEPS));
    const maps = new DataTexture(rows, MAP_STEPS, 3, RedFormat, FloatType);
    Object.assign(maps, { minFilter: NearestFilter, magFilter: NearestFilter, needsUpdate: true });
    const scale = new DataTexture(scaleBytes(256), 256, 1, RGBAFormat, UnsignedByteType);
    Object.assign(scale, { minFilter: LinearFilter, magFilter: LinearFilter, needsUpdate: true });
    const low = new Vector3(...field.lines.map((line) => line[0]!));
    const high = new Vector3(...field.lines.map((line) => line.at(-1)!));
    return { field: volume, maps, scale, low, high, dispose: () => [volume, maps, scale].forEach((t) => t.dispose()) };
}

/** Stands for the owner of whatever a section cuts. */
const WHATEVER = -1;

interface Options {
    side: 'front' | 'back' | 'both';
    shade?: number;
    clip?: Plane | null;
    opacity?: number;
}

/** A material for sections, and for parts, which set their own number and light with ofPart() before they are drawn. */
export function fieldMaterial(textures: FieldTextures, { side, shade = 0.5, clip = null, opacity = 1 }: Options): ShaderMaterial {
    const diagonal = textures.high.distanceTo(textures.low);
    return new ShaderMaterial({
        glslVersion: GLSL3,
        vertexShader,
        fragmentShader,
        side: side === 'front' ? FrontSide : side === 'back' ? BackSide : DoubleSide,
        transparent: opacity < 1,
        depthWrite: opacity === 1,
        clipping: true,
        clippingPlanes: clip ? [clip] : [],
        uniforms: {
            field: { value: textures.field },
            maps: { value: textures.maps },
            scale: { value: textures.scale },
            low: { value: textures.low },
            high: { value: textures.high },
            inset: { value: diagonal * 5e-4 },
            shade: { value: shade },
            lift: { value: 0 },
            owner: { value: WHATEVER },
            opacity: { value: opacity },
        },
    });
}

/** Lets the shared material draw one part: by its number among the owners of the cells, lighter when it is selected. */
export function ofPart(material: ShaderMaterial, owner: number, selected: boolean): void {
    material.uniforms.owner!.value = owner;
    material.uniforms.lift!.value = selected ? 0.28 : 0;
    material.uniformsNeedUpdate = true;
}
