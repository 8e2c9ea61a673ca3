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
  /** From root to tip, one or several. */
  readonly shades: readonly string[];
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
uniform float uBends;
uniform vec3 uColours[24];
uniform vec3 uMiddles[24];
uniform vec3 uTips[24];
uniform vec4 uWaves[24];
varying float vAcross;
varying float vHalf;
varying float vAlong;
varying vec2 vSeed;
varying vec2 vSize;
varying vec4 vWave;
varying float vSeen;
varying vec3 vLight;
varying vec3 vGlint;
// Light on fibre: brightest where it runs across the light (J. Kajiya and T. Kay, SIGGRAPH 1989; from memory), softened
// by the way the head faces. Worked out at the vertices: a fragment only finds its strand.
void main() {
  vAlong = aLook.y;
  vSeed = vec2(aLook.z * 91.0, aLook.z * 31.0);
  vSize = aSize;
  int product = min(23, int(aProduct + 0.5));
  // Shaded from root to tip.
  float down = 2.0 * aLook.y / max(aSize.y, 1.0);
  vec3 colour = mix(mix(uColours[product], uMiddles[product], min(down, 1.0)), uTips[product], clamp(down - 1.0, 0.0, 1.0));
  vec4 wave = uWaves[product];
  vWave = wave;
  // A little gathered in the knot: beside a part or an edge roots lie close, and leave it as a line, not as wedges.
  float width = aSize.x * uWiden * mix(0.82, 1.0, smoothstep(0.0, 22.0, aLook.y));
  width *= mix(1.0, 0.55, smoothstep(0.72, 1.0, aLook.y / max(aSize.y, 1.0)));
  vHalf = width;
  // Room to both sides for locks that turn.
  width += uBends * wave.x * 1.5;
  vec3 across = cross(aTangent, uEye);
  float l = length(across);
  // Seen end on a ribbon lies flat on the head.
  across = l > 0.08 ? across / l : normalize(cross(aTangent, normal) + vec3(1e-4));
  vAcross = aLook.x * width;
  // A helix seen from another side is the same wave, shifted: it turns as the head turns.
  vec3 out0 = normalize(normal - aTangent * dot(normal, aTangent) + vec3(1e-4));
  vSeen = atan(dot(cross(aTangent, out0), uEye), dot(out0, uEye));
  vec3 at = position + across * vAcross;
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
varying float vAcross;
varying float vHalf;
varying float vAlong;
varying vec2 vSeed;
varying vec2 vSize;
varying float vSeen;
varying vec3 vLight;
varying vec3 vGlint;
float chance(float of) { return fract(sin(of * 12.99 + vSeed.x) * 43758.5); }`;

/**
 * A ribbon is a family of locks side by side, each bent to a helix about its own line: from the side that is a sine of its
 * radius, its front half before its back half. Neighbours turn nearly together, so a lock is found among the three nearest.
 */
const STRANDS = /* glsl */ `
${SHARED}
void main() {
  float radius = vWave.x * clamp((vAlong - 4.0) * 0.033, 0.0, 1.0);
  float turn = 6.2832 * vAlong / abs(vWave.y);
  float phase = turn * (0.84 + 0.32 * chance(3.0)) + vSeed.y + vSeen;
  float thick = clamp(0.42 * vWave.x, 0.85, 3.0);
  float apart = 1.7 * thick;
  float x = vAcross - radius * sin(phase);
  float nearest = floor(x / apart);
  float before = -9.0;
  float at = 0.0;
  float own = 0.0;
  for (float k = -1.0; k < 2.0; k += 1.0) {
    float lock = nearest + k;
    float its = chance(lock + 7.0);
    float step = phase + (its - 0.5) * vWave.w;
    float middle = (lock + 0.5) * apart;
    // Locks thin out to the edge of the ribbon and end before each other; roots begin a little before and behind each other.
    float last = vSize.y * (0.80 + 0.20 * its);
    float edge = smoothstep(1.0, 0.6, abs(middle) / max(vHalf, 1.0));
    float width = thick * (0.62 + 0.38 * edge) * (1.0 - 0.6 * smoothstep(0.7, 1.0, vAlong / last));
    if (vAlong > last || vAlong < 3.5 * its || abs(middle) > vHalf) continue;
    float wander = 0.35 * thick * sin(vAlong * 0.11 + its * 17.0);
    for (float half_ = 0.0; half_ < 2.0; half_ += 1.0) {
      float a = step + 3.1416 * half_;
      float off = (vAcross - middle - wander - radius * sin(a)) / width;
      float depth = cos(a) * min(1.0, radius) + 0.3 * its;
      if (abs(off) < 1.0 && depth > before) {
        before = depth;
        at = off;
        own = its;
      }
      if (vWave.y > 0.0) break;
    }
  }
  if (before < -8.0) discard;
  float facing = clamp(before - 0.3 * own, -1.0, 1.0);
  float round = 1.0 - 0.5 * at * at;
  // Fibres in a lock.
  float fibre = 0.86 + 0.2 * sin(at * (3.0 + 2.2 * thick) + own * 40.0);
  float bend = min(1.0, 0.3 * radius);
  float lit = mix(1.0, 0.62 + 0.5 * facing, bend);
  float shine = mix(1.0, 0.35 + 2.2 * pow(max(0.0, facing), 3.0), bend);
  vec3 c = (vLight * (0.7 + 0.6 * own) * lit + vGlint * shine * (0.6 + 0.8 * own)) * round * fibre;
  gl_FragColor = vec4(sqrt(c / (1.0 + 0.18 * c)), 1.0);
}`;

const PLAIN = /* glsl */ `
${SHARED}
void main() {
  float band = 0.75 + 0.5 * chance(floor(4.0 * vAcross / vHalf));
  vec3 c = vLight * band + vGlint * 0.75;
  gl_FragColor = vec4(sqrt(c), 1.0);
}`;

/** More kinds of hair than the shader has places for look like the last of them. */
const MOST_LOOKS = 24;

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
      uMiddles: { value: Array.from({ length: MOST_LOOKS }, () => new Color()) },
      uTips: { value: Array.from({ length: MOST_LOOKS }, () => new Color()) },
      uWaves: { value: Array.from({ length: MOST_LOOKS }, () => new Vector4(0, 1, 0, 0)) },
    };
    const material = (fragmentShader: string, widen: number, bends: number) =>
      new ShaderMaterial({
        vertexShader: VERTEX,
        fragmentShader,
        side: DoubleSide,
        uniforms: {
          uKey: light.uKey,
          uEye: light.uEye,
          uDark: light.uDark,
          ...own,
          uWiden: { value: widen },
          uBends: { value: bends },
        },
      });
    this.strands = material(STRANDS, 1.12, 1);
    this.plain = material(PLAIN, WIDER, 0);
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

  /** Of every product of the plan in each of its colours, in their order. */
  setLooks(looks: readonly HairLook[]) {
    for (const { uniforms } of [this.strands, this.plain]) {
      for (let i = 0; i < MOST_LOOKS; i++) {
        const { shades, texture } = looks[Math.min(i, looks.length - 1)];
        shadeAt(uniforms.uColours.value[i], shades, 0);
        shadeAt(uniforms.uMiddles.value[i], shades, 0.5);
        shadeAt(uniforms.uTips.value[i], shades, 1);
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

const between = new Color();

/** The shade at a share of the length, between those that are named. */
function shadeAt(into: Color, shades: readonly string[], share: number) {
  const at = share * (shades.length - 1);
  const before = Math.floor(at);
  into.set(shades[before]);
  const after = shades[before + 1];
  if (after !== undefined) into.lerp(between.set(after), at - before);
}
