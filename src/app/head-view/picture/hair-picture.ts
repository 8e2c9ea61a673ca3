/**
 * Hair on the stage: every ribbon a strip that is turned to the eye, split into strands in the shader. At rest strands are
 * drawn one by one; while the head turns every second ribbon is drawn, wider and plain, so that it follows the finger.
 */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DoubleSide,
  type IUniform,
  Mesh,
  ShaderMaterial,
  Vector4,
} from 'three';
import type { HairMesh } from '../../../core/fall/index.ts';
import { TEXTURE_INFO, type Texture } from '../../../core/trade/index.ts';

export interface HairLook {
  readonly colour: string;
  readonly texture: Texture;
}

const VERTEX = /* glsl */ `
attribute vec3 aTangent;
attribute vec4 aLook;
attribute vec2 aSize;
attribute float aProduct;
uniform vec3 uEye;
uniform vec3 uKey;
uniform float uDark;
uniform float uWiden;
uniform vec3 uColours[8];
uniform vec4 uWaves[8];
varying float vSide;
varying float vAlong;
varying vec2 vSeed;
varying vec2 vSize;
varying vec4 vWave;
varying vec3 vLight;
varying vec3 vGlint;
// Light on fibre: brightest where it runs across the light (J. Kajiya and T. Kay, SIGGRAPH 1989; from memory), softened
// by the way the head faces. Worked out at the vertices: a fragment only finds its strand.
void main() {
  vSide = aLook.x;
  vAlong = aLook.y;
  vSeed = vec2(aLook.z * 91.0, aLook.z * 31.0);
  vSize = aSize;
  int product = min(7, int(aProduct + 0.5));
  vec3 colour = uColours[product];
  vec4 wave = uWaves[product];
  vWave = wave;
  // A little gathered in the knot: beside a part or an edge roots lie close, and leave it as a line, not as wedges.
  float width = aSize.x * uWiden * mix(0.82, 1.0, smoothstep(0.0, 22.0, aLook.y));
  width *= mix(1.0, 0.55, smoothstep(0.72, 1.0, aLook.y / max(aSize.y, 1.0)));
  vec3 across = cross(aTangent, uEye);
  float l = length(across);
  // Seen end on a ribbon lies flat on the head.
  across = l > 0.08 ? across / l : normalize(cross(aTangent, normal) + vec3(1e-4));
  vec3 at = position + across * (aLook.x * width);
  float tl = dot(aTangent, uKey);
  float diffuse = sqrt(max(0.0, 1.0 - tl * tl)) * (0.25 + 0.75 * max(0.0, (dot(normal, uKey) + 0.45) / 1.45));
  vec3 h = normalize(uKey + uEye);
  float th = dot(aTangent, h) + 0.08 * (aLook.z - 0.5);
  float glint = pow(sqrt(max(0.0, 1.0 - th * th)), 40.0) * max(0.0, dot(normal, h));
  float open = mix(0.42, 1.0, aLook.w) * mix(0.55, 1.0, smoothstep(0.0, 40.0, aLook.y));
  vec3 warm = mix(vec3(1.62, 1.50, 1.34), vec3(1.42, 1.34, 1.30), uDark);
  vec3 sky = mix(vec3(0.20, 0.18, 0.17), vec3(0.46, 0.48, 0.54), 0.5 + 0.5 * normal.y);
  vLight = colour * (warm * diffuse * 1.25 + sky) * open;
  vGlint = wave.z * glint * warm * open * mix(vec3(0.16), sqrt(colour), 0.6);
  vGlint += 0.05 * pow(1.0 - max(0.0, dot(normal, uEye)), 3.0) * open;
  gl_Position = projectionMatrix * viewMatrix * vec4(at, 1.0);
}`;

const SHARED = /* glsl */ `
varying vec4 vWave;
varying float vSide;
varying float vAlong;
varying vec2 vSeed;
varying vec2 vSize;
varying vec3 vLight;
varying vec3 vGlint;`;

const STRANDS = /* glsl */ `
${SHARED}
void main() {
  float rise = clamp((vAlong - 4.0) * 0.033, 0.0, 1.0);
  float turn = 6.2832 * vAlong / vWave.y;
  float phase = turn + vSeed.y;
  float u = 0.5 + 0.5 * vSide + vWave.x * rise * sin(phase);
  float cell = u * (3.0 + floor(vSize.x * 0.95));
  float strand = floor(cell);
  float own = fract(sin(strand * 12.99 + vSeed.x) * 43758.5);
  // Each strand wanders a little by itself.
  float off = abs(fract(cell) - 0.5 + 0.2 * sin(vAlong * 0.11 + own * 17.0) + vWave.w * (0.4 + own) * sin(1.25 * turn + own * 40.0));
  float thick = 0.36 + 0.16 * own;
  float tip = vAlong / (vSize.y * (0.80 + 0.20 * own));
  // Gaps between strands, wider towards the edges of the ribbon and the tips.
  float rim = max(0.0, abs(u - 0.5) * 2.0 - 0.72);
  // Roots begin a little before and behind each other.
  if (tip > 1.0 || vAlong < 3.5 * own || off > thick * (1.0 - 0.5 * clamp(tip * 3.33 - 2.33, 0.0, 1.0)) - 0.26 * rim || u < 0.0 || u > 1.0) discard;
  float round = 1.0 - 0.55 * off * off / (thick * thick);
  // Where a curl turns towards the light it shines, where it turns away it doesn't.
  float curl = 1.0 + 1.6 * vWave.x * rise * cos(phase);
  vec3 c = (vLight * (0.62 + 0.76 * own) * (0.4 + 0.6 * curl) + vGlint * curl * (0.6 + 0.8 * own)) * round;
  gl_FragColor = vec4(sqrt(c / (1.0 + 0.18 * c)), 1.0);
}`;

const PLAIN = /* glsl */ `
${SHARED}
void main() {
  float band = 0.75 + 0.5 * fract(sin(floor(vSide * 4.0) * 12.99 + vSeed.x) * 43758.5);
  vec3 c = vLight * band + vGlint * (0.6 + vWave.w);
  gl_FragColor = vec4(sqrt(c), 1.0);
}`;

/** More products than the shader has places for look like the last of them. */
const MOST_LOOKS = 8;

/** With every second ribbon left out, the others are this much wider. */
const WIDER = 1.7;

export class HairPicture {
  readonly mesh: Mesh;
  private readonly strands: ShaderMaterial;
  private readonly plain: ShaderMaterial;
  private whole = 0;
  private half = 0;

  /** @param light uniforms that it shares with the head. */
  constructor(light: Readonly<Record<'uKey' | 'uEye' | 'uDark', IUniform>>) {
    const own = {
      uColours: { value: Array.from({ length: MOST_LOOKS }, () => new Color()) },
      uWaves: { value: Array.from({ length: MOST_LOOKS }, () => new Vector4(0, 1, 0, 0)) },
    };
    const material = (fragmentShader: string, widen: number) =>
      new ShaderMaterial({
        vertexShader: VERTEX,
        fragmentShader,
        side: DoubleSide,
        uniforms: { uKey: light.uKey, uEye: light.uEye, uDark: light.uDark, ...own, uWiden: { value: widen } },
      });
    this.strands = material(STRANDS, 1.12);
    this.plain = material(PLAIN, WIDER);
    this.mesh = new Mesh(new BufferGeometry(), this.strands);
    this.mesh.frustumCulled = false;
    this.mesh.visible = false;
  }

  set(hair: HairMesh | undefined) {
    this.mesh.geometry.dispose();
    this.mesh.visible = hair !== undefined && hair.triangles.length > 0;
    if (!hair) return;
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(hair.positions, 3));
    geometry.setAttribute('normal', new BufferAttribute(hair.normals, 3));
    geometry.setAttribute('aTangent', new BufferAttribute(hair.tangents, 3));
    geometry.setAttribute('aLook', new BufferAttribute(hair.looks, 4));
    geometry.setAttribute('aSize', new BufferAttribute(hair.sizes, 2));
    geometry.setAttribute('aProduct', new BufferAttribute(hair.products, 1));
    geometry.setIndex(new BufferAttribute(hair.triangles, 1));
    this.whole = hair.triangles.length;
    this.half = hair.halfIndices;
    this.mesh.geometry = geometry;
  }

  /** Of every product of the plan, in their order. */
  setLooks(looks: readonly HairLook[]) {
    for (const { uniforms } of [this.strands, this.plain]) {
      for (let i = 0; i < MOST_LOOKS; i++) {
        const { colour, texture } = looks[Math.min(i, looks.length - 1)];
        uniforms.uColours.value[i].set(colour);
        uniforms.uWaves.value[i].fromArray(TEXTURE_INFO[texture].drawn);
      }
    }
  }

  prepare(moving: boolean) {
    this.mesh.material = moving ? this.plain : this.strands;
    this.mesh.geometry.setDrawRange(0, moving ? this.half : this.whole);
  }

  dispose() {
    this.mesh.geometry.dispose();
    this.strands.dispose();
    this.plain.dispose();
  }
}
