import {
    BackSide, ClampToEdgeWrapping, Data3DTexture, DataTexture, DoubleSide, FloatType, FrontSide, GLSL3, HalfFloatType, DataUtils, LinearFilter,
    NearestFilter, Plane, RedFormat, RGFormat, RGBAFormat, ShaderMaterial, UnsignedByteType, Vector3,
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

// Colours the surface from the 3-D texture; a fixed soft light from above keeps the shape readable.
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
    uniform bool masked;
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
    void main() {
        #include <clipping_planes_fragment>
        vec3 share = (vPlace - inset * vNormal - low) / (high - low);
        vec2 value = texture(field, vec3(place(share.x, 0), place(share.y, 1), place(share.z, 2))).rg;
        if (masked && value.g < 0.5) discard;
        vec3 tint = texture(scale, vec2(clamp(value.r, 0.0, 1.0), 0.5)).rgb;
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
    const data = textureData(field);
    const span = Math.max(field.max.value - field.min.value, 1e-9);
    const half = new Uint16Array(data.length);
    for (let i = 0; i < data.length; i += 2) {
        half[i] = DataUtils.toHalfFloat((data[i]! - field.min.value) / span);
        half[i + 1] = DataUtils.toHalfFloat(data[i + 1]!);
    }
    const volume = new Data3DTexture(half, ...field.cells);
    Object.assign(volume, { format: RGFormat, type: HalfFloatType, minFilter: LinearFilter, magFilter: LinearFilter, wrapS: ClampToEdgeWrapping, wrapT: ClampToEdgeWrapping, wrapR: ClampToEdgeWrapping, unpackAlignment: 1, needsUpdate: true });
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

interface Options {
    side: 'front' | 'back' | 'both';
    masked?: boolean;
    shade?: number;
    selected?: boolean;
    clip?: Plane | null;
    opacity?: number;
}

export function fieldMaterial(textures: FieldTextures, { side, masked = false, shade = 0.5, selected = false, clip = null, opacity = 1 }: Options): ShaderMaterial {
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
            inset: { value: masked ? 0 : diagonal * 5e-4 },
            shade: { value: shade },
            lift: { value: selected ? 0.28 : 0 },
            masked: { value: masked },
            opacity: { value: opacity },
        },
    });
}
