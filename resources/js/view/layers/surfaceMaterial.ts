import { DoubleSide, GLSL3, ShaderMaterial, type Plane } from 'three';
import { colouring, colouringUniforms } from '../fields/fieldMaterial';

const vertexShader = /* glsl */ `
    in float value;
    out float vValue;
    out vec3 vNormal;
    out vec3 vSeen;
    #include <clipping_planes_pars_vertex>
    void main() {
        vec4 world = modelMatrix * vec4(position, 1.0);
        vValue = value;
        vNormal = normal;
        vSeen = normalize(mat3(viewMatrix) * normal);
        vec4 mvPosition = viewMatrix * world;
        #include <clipping_planes_vertex>
        gl_Position = projectionMatrix * mvPosition;
    }
`;

const fragmentShader = /* glsl */ `
    in float vValue;
    in vec3 vNormal;
    in vec3 vSeen;
    uniform float opacity;
    out vec4 colour;
    ${colouring}
    #include <clipping_planes_pars_fragment>
    void main() {
        #include <clipping_planes_fragment>
        vec3 tint = isnan(vValue) ? vec3(0.72) : tintOf(vValue);
        colour = vec4(lit(tint, gl_FrontFacing ? vSeen : -vSeen, gl_FrontFacing ? vNormal.z : -vNormal.z), opacity);
    }
`;

/** Colours surface elements by the value that each of them carries; grey where it has none. */
export const surfaceMaterial = (clips: Plane[], opacity: number): ShaderMaterial =>
    new ShaderMaterial({
        glslVersion: GLSL3,
        vertexShader,
        fragmentShader,
        side: DoubleSide,
        transparent: opacity < 1,
        depthWrite: opacity === 1,
        clipping: true,
        clippingPlanes: clips,
        uniforms: { ...colouringUniforms(true), opacity: { value: opacity } },
    });
