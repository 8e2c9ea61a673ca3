/**
 * The bust as a picture: two meshes, one cheap shader, drawn only when something changed. While it turns it is
 * drawn at screen resolution, at rest at twice that, which smooths its edges without multisampling.
 */
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DoubleSide,
  Mesh,
  OrthographicCamera,
  Scene,
  ShaderMaterial,
  Vector3,
  WebGLRenderer,
} from 'three';
import type { HairMesh } from '../../../core/fall/index.ts';
import { smoothstep } from '../../../core/geometry/index.ts';
import type { PictureMesh } from '../../../core/head/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { token } from '../../ui/tokens.ts';
import type { Projection, V3 } from '../projection.ts';
import { type HairLook, HairPicture } from './hair-picture.ts';

export interface Palette {
  readonly skin: string;
  readonly cap: string;
  readonly net: string;
  readonly band: string;
  /** Of the fine hair at the edge, where it is not that of the cap. */
  readonly edge?: string;
  readonly dark: boolean;
  /** Own hair shows instead of a net. */
  readonly bare: boolean;
  /** The section that is held. */
  readonly picked: string;
}

export interface Layers {
  /** 0 to 1. */
  readonly heat?: ArrayLike<number>;
  /** -1 to 1: what shows less, what shows more. */
  readonly difference?: ArrayLike<number>;
  readonly pick?: ArrayLike<number>;
  /** Tender, thin, no-go, own hair in sight. */
  readonly marks: readonly [ArrayLike<number>, ArrayLike<number>, ArrayLike<number>, ArrayLike<number>];
}

const VERTEX = /* glsl */ `
attribute float aLight;
attribute float aAbove;
attribute vec3 aCorner;
attribute float aHeat;
attribute float aPick;
attribute vec4 aMarks;
varying float vHeat;
varying float vPick;
varying vec4 vMarks;
varying vec3 vNormal;
varying vec3 vAt;
varying float vLight;
varying float vAbove;
varying vec3 vCorner;
void main() {
  vNormal = normal;
  vAt = position;
  vLight = aLight;
  vAbove = aAbove;
  vCorner = aCorner;
  vHeat = aHeat;
  vPick = aPick;
  vMarks = aMarks;
  gl_Position = projectionMatrix * viewMatrix * vec4(position, 1.0);
}`;

const LIGHTING = /* glsl */ `
uniform vec3 uKey;
uniform vec3 uFill;
uniform vec3 uEye;
uniform float uDark;
varying vec3 vNormal;
varying vec3 vAt;
varying float vLight;
varying float vAbove;
varying vec3 vCorner;
float wrapped(float d, float w) { return max(0.0, (d + w) / (1.0 + w)); }
float hash(vec3 p) { return fract(sin(dot(p, vec3(12.9898, 78.233, 37.719))) * 43758.5453); }
vec3 encode(vec3 v) { return mix(12.92 * v, 1.055 * pow(max(v, vec3(0.0)), vec3(1.0 / 2.4)) - 0.055, step(0.0031308, v)); }
float noise(vec3 p) {
  vec3 i = floor(p); vec3 f = fract(p); f = f * f * (3.0 - 2.0 * f);
  return mix(mix(mix(hash(i), hash(i + vec3(1,0,0)), f.x), mix(hash(i + vec3(0,1,0)), hash(i + vec3(1,1,0)), f.x), f.y),
             mix(mix(hash(i + vec3(0,0,1)), hash(i + vec3(1,0,1)), f.x), mix(hash(i + vec3(0,1,1)), hash(i + vec3(1,1,1)), f.x), f.y), f.z);
}
vec3 lit(vec3 albedo, float soft, float shine, float rough) {
  vec3 n = normalize(vNormal);
  float sky = 0.5 + 0.5 * n.y;
  float key = wrapped(dot(n, uKey), soft);
  key *= mix(0.55, 1.0, smoothstep(0.25, 0.8, vLight));
  float fill = wrapped(dot(n, uFill), 0.5);
  float rim = pow(1.0 - max(0.0, dot(n, uEye)), 3.2) * vLight * (0.35 + 0.65 * wrapped(dot(n, uKey), 0.6));
  vec3 ambient = mix(vec3(0.20, 0.17, 0.15), vec3(0.46, 0.48, 0.54), sky) * mix(1.0, 0.72, uDark);
  vec3 warm = mix(vec3(1.62, 1.50, 1.34), vec3(1.42, 1.34, 1.30), uDark);
  vec3 half_ = normalize(uKey + uEye);
  vec3 c = albedo * (warm * key + ambient * vLight + 0.22 * fill * vLight);
  c += shine * pow(max(0.0, dot(n, half_)), rough) * warm * smoothstep(0.2, 0.8, vLight);
  c += rim * (0.05 + albedo * 0.55);
  return c / (1.0 + 0.18 * c);
}`;

const SKIN = /* glsl */ `
uniform vec3 uSkin;
uniform vec3 uHair;
uniform float uAbove;
${LIGHTING}
void main() {
  vec3 albedo = uSkin * (0.94 + 0.10 * noise(vAt * 0.05) + 0.05 * noise(vAt * 0.4));
  // Fine hair just outside the border.
  float edge = vAbove + 4.5 * noise(vec3(vAt.x * 0.55, vAt.y * 0.22, vAt.z * 0.55)) + 2.5 * noise(vec3(vAt.x * 1.7, vAt.y * 0.5, vAt.z * 1.7)) - 3.5;
  albedo = mix(albedo, uHair * 0.8, 0.82 * smoothstep(-8.0, 1.0, edge));
  // Seen from above the shoulders would fill the stage: they fade away below the chin.
  float alpha = mix(1.0, smoothstep(-172.0, -96.0, vAt.y), uAbove);
  gl_FragColor = vec4(encode(lit(albedo, 0.28, 0.022, 9.0)) * alpha, alpha);
}`;

const CAP = /* glsl */ `
uniform vec3 uCap;
uniform vec3 uNet;
uniform vec3 uBand;
uniform float uBare;
uniform float uHeat;
uniform vec3 uScalp;
uniform vec3 uGlow[6];
uniform vec3 uLess;
uniform vec3 uStrand;
uniform vec3 uCaution;
uniform vec3 uYarn;
varying float vHeat;
varying float vPick;
varying vec4 vMarks;
${LIGHTING}
// Light coming through thin cloth: luminance rises all the way, so that it survives grey.
vec3 glow(float t) {
  return t < 0.18 ? mix(uGlow[0], uGlow[1], t / 0.18) : t < 0.38 ? mix(uGlow[1], uGlow[2], (t - 0.18) / 0.20)
    : t < 0.58 ? mix(uGlow[2], uGlow[3], (t - 0.38) / 0.20) : t < 0.80 ? mix(uGlow[3], uGlow[4], (t - 0.58) / 0.22)
    : mix(uGlow[4], uGlow[5], min(1.0, (t - 0.80) / 0.20));
}
// Stitches along one slant of the head: a width of thread in every pitch, broken into dashes.
float stitches(vec3 p, float slant, float pitch, float thread, float dash) {
  float u = (p.x * slant + p.y + 0.6 * p.z) / pitch;
  float v = (p.x - slant * p.y + 0.4 * p.z) / pitch;
  float line = 1.0 - smoothstep(thread, thread + 0.10, abs(fract(u) - 0.5) * 2.0);
  return line * (dash < 0.01 ? 1.0 : step(fract(v * 0.55 + 0.5 * floor(u)), dash));
}
void main() {
  // A thread of the net runs where two corners are equally near: the cells of a geodesic sphere.
  vec3 s = vCorner;
  float first = max(s.x, max(s.y, s.z));
  float last = min(s.x, min(s.y, s.z));
  float second = s.x + s.y + s.z - first - last;
  float gap = first - second;
  float w = fwidth(gap);
  float thread = 1.0 - smoothstep(0.16 - w, 0.16 + w, gap);
  float far = clamp(1.2 - w * 1.6, 0.0, 1.0);
  thread = mix(0.28, thread, far);
  float soft = noise(vAt * 0.045 + 3.0);
  vec3 cloth = mix(uCap * (0.85 + 0.35 * soft), uNet, 0.56 * thread);
  // Without a cap own hair shows: fine strands that run down from the crown.
  float around = atan(vAt.x, vAt.z + 10.0);
  float strand = noise(vec3(around * 46.0, vAt.y * 0.02, 1.0)) * 0.6 + noise(vec3(around * 130.0, vAt.y * 0.05, 2.0)) * 0.4;
  vec3 hair = uCap * (0.55 + 0.75 * strand);
  vec3 albedo = mix(cloth, hair, max(uBare, smoothstep(0.35, 0.65, vMarks.w)));
  // Own hair that stays in sight shines a little among own hair that will be covered.
  float sight = smoothstep(0.35, 0.65, vMarks.w);
  albedo = mix(albedo, uStrand, uBare * sight * (0.10 + 0.42 * strand));
  float worn = 1.0 - smoothstep(0.35, 0.65, vMarks.w);
  albedo = mix(albedo, uScalp, vPick * (0.20 + 0.10 * strand));
  albedo = mix(albedo, uCaution, 0.85 * smoothstep(0.4, 0.6, vMarks.x) * stitches(vAt, 0.8, 7.0, 0.20, 0.62));
  albedo = mix(albedo, uYarn, 0.75 * smoothstep(0.4, 0.6, vMarks.y) * stitches(vAt, -0.8, 6.0, 0.14, 0.30));
  float no = max(stitches(vAt, 0.8, 6.0, 0.18, 0.0), stitches(vAt, -0.8, 6.0, 0.18, 0.0));
  albedo = mix(albedo, uCaution, 0.9 * smoothstep(0.4, 0.6, vMarks.z) * no);
  float band = worn * (1.0 - uBare) * (1.0 - smoothstep(7.4, 8.6, vAbove));
  albedo = mix(albedo, uBand * (0.86 + 0.14 * cos(vAbove * 3.93)), band);
  float open = mix(1.0 - 0.16 * (1.0 - thread) * (1.0 - band), 1.0, uBare);
  open *= mix(0.65, 1.0, smoothstep(0.0, 1.6, vAbove));
  vec3 surface = lit(albedo, 0.40, 0.02, 7.0) * open;
  // Less than before comes through: pale, and hatched so that it is told apart in grey.
  float less = clamp(-vHeat, 0.0, 1.0);
  vec3 pale = mix(glow(0.0), uLess, less * (0.35 + 0.65 * stitches(vAt, 0.8, 6.0, 0.3, 0.0)));
  vec3 warm = (vHeat < 0.0 ? pale : glow(clamp(vHeat, 0.0, 1.0))) * (0.72 + 0.28 * max(0.0, dot(normalize(vNormal), uKey)));
  gl_FragColor = vec4(encode(mix(surface, warm + 0.10 * surface, uHeat)), 1.0);
}`;

/** Light comes from the upper left of the viewer, whatever way the head is turned. */
const KEY: V3 = [-0.56, 0.6, 0.57];
const FILL: V3 = [0.75, 0.12, 0.5];
const EYE_MM = 700;

const GLOW = ['heat-0', 'heat-1', 'heat-2', 'heat-3', 'heat-4', 'heat-5'] as const;
const tokenUniforms = () => ({
  uGlow: { value: GLOW.map((name) => new Color(token(name))) },
  uLess: { value: new Color(token('less')) },
  uStrand: { value: new Color(token('own-strand')) },
  uCaution: { value: new Color(token('caution')) },
  uYarn: { value: new Color(token('yarn')) },
});

export class HeadPicture {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, 1, 2 * EYE_MM);
  private readonly light = {
    uKey: { value: new Vector3() },
    uFill: { value: new Vector3() },
    uEye: { value: new Vector3() },
    uDark: { value: 0 },
  };
  private readonly skin = new ShaderMaterial({
    vertexShader: VERTEX,
    fragmentShader: SKIN,
    side: DoubleSide,
    uniforms: { ...this.light, uSkin: { value: new Color() }, uHair: { value: new Color() }, uAbove: { value: 0 } },
    transparent: true,
    premultipliedAlpha: true,
  });
  private readonly cap = new ShaderMaterial({
    vertexShader: VERTEX,
    fragmentShader: CAP,
    side: DoubleSide,
    uniforms: {
      ...this.light,
      uCap: { value: new Color() },
      uNet: { value: new Color() },
      uBand: { value: new Color() },
      uBare: { value: 0 },
      uHeat: { value: 0 },
      uScalp: { value: new Color() },
      ...tokenUniforms(),
    },
  });
  private readonly hair = new HairPicture(this.light);
  private capTriangles: Uint32Array = new Uint32Array(0);
  private meshes: Mesh[] = [];

  /** @throws when the browser has no WebGL. */
  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: false, alpha: true, powerPreference: 'low-power' });
    this.renderer.setClearColor(0, 0);
    this.scene.matrixWorldAutoUpdate = false;
    this.scene.add(this.hair.mesh);
  }

  setHead(head: HeadScene) {
    for (const mesh of this.meshes) {
      mesh.geometry.dispose();
      this.scene.remove(mesh);
    }
    this.capTriangles = head.cap.triangles;
    this.meshes = [new Mesh(indexed(head.bust), this.skin), new Mesh(cornered(head.cap), this.cap)];
    for (const mesh of this.meshes) {
      mesh.frustumCulled = false;
      this.scene.add(mesh);
    }
  }

  setPalette(p: Palette) {
    this.skin.uniforms.uSkin.value.set(p.skin);
    this.skin.uniforms.uHair.value.set(p.edge ?? p.cap);
    this.cap.uniforms.uCap.value.set(p.cap);
    this.cap.uniforms.uNet.value.set(p.net);
    this.cap.uniforms.uBand.value.set(p.band);
    this.cap.uniforms.uBare.value = p.bare ? 1 : 0;
    this.cap.uniforms.uScalp.value.set(p.picked);
    this.light.uDark.value = p.dark ? 1 : 0;
  }

  /** What is shown on the scalp besides light: by vertex of the cap. */
  setLayers(layers: Layers) {
    const { geometry } = this.meshes[1];
    const fill = (name: string, size: number, value: (vertex: number, channel: number) => number) => {
      const attribute = geometry.getAttribute(name) as BufferAttribute;
      const { array } = attribute;
      for (let i = 0; i < this.capTriangles.length; i++) {
        for (let c = 0; c < size; c++) array[size * i + c] = value(this.capTriangles[i], c);
      }
      attribute.needsUpdate = true;
    };
    const { heat, difference, pick, marks } = layers;
    const light = heat ?? difference;
    fill('aHeat', 1, (v) => light?.[v] ?? 0);
    fill('aPick', 1, (v) => pick?.[v] ?? 0);
    fill('aMarks', 4, (v, c) => marks[c][v] ?? 0);
    this.cap.uniforms.uHeat.value = light ? 1 : 0;
  }

  /** Hair over the head, or none. */
  setHair(hair: HairMesh | undefined) {
    this.hair.set(hair);
  }

  setHairLooks(looks: readonly HairLook[]) {
    this.hair.setLooks(looks);
  }

  /** @param moving draws a lighter head of hair */
  draw(view: Projection, pixelRatio: number, moving = false) {
    const { width, height, pxPerMm: s, toEye, right, up } = view;
    this.renderer.setPixelRatio(pixelRatio);
    this.renderer.setSize(width, height, false);
    const camera = this.camera;
    // The canvas itself is turned over in a mirror, so the head's middle is drawn on the other side before.
    const centreX = view.flip < 0 ? width - view.centreX : view.centreX;
    camera.left = -centreX / s;
    camera.right = (width - centreX) / s;
    camera.top = view.centreY / s;
    camera.bottom = -(height - view.centreY) / s;
    camera.position.set(toEye[0] * EYE_MM, toEye[1] * EYE_MM, toEye[2] * EYE_MM);
    camera.up.set(...up);
    camera.lookAt(0, 0, 0);
    camera.updateMatrixWorld();
    camera.updateProjectionMatrix();
    const world = (v: V3) =>
      new Vector3(
        v[0] * right[0] + v[1] * up[0] + v[2] * toEye[0],
        v[0] * right[1] + v[1] * up[1] + v[2] * toEye[1],
        v[0] * right[2] + v[1] * up[2] + v[2] * toEye[2],
      ).normalize();
    // In a mirror the light stays where the window is.
    this.light.uKey.value.copy(world([KEY[0] * view.flip, KEY[1], KEY[2]]));
    this.light.uFill.value.copy(world([FILL[0] * view.flip, FILL[1], FILL[2]]));
    this.light.uEye.value.set(...toEye);
    // Bent, her shoulders would end in the air: they fade away too.
    const tipped = 1 - up[1] ** 2 - toEye[1] ** 2;
    this.skin.uniforms.uAbove.value = Math.max(smoothstep(0.7, 0.95, toEye[1]), smoothstep(0.1, 0.5, tipped));
    this.hair.prepare(moving);
    this.renderer.render(this.scene, camera);
    // What the picture costs, so that it can be watched.
    const { calls, triangles } = this.renderer.info.render;
    Object.assign(this.renderer.domElement.dataset, { calls, triangles });
  }

  dispose() {
    for (const mesh of this.meshes) mesh.geometry.dispose();
    this.hair.dispose();
    this.skin.dispose();
    this.cap.dispose();
    this.renderer.dispose();
  }
}

function indexed(mesh: PictureMesh): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(mesh.positions, 3));
  geometry.setAttribute('normal', new BufferAttribute(mesh.normals, 3));
  geometry.setAttribute('aLight', new BufferAttribute(mesh.light, 1));
  geometry.setAttribute('aAbove', new BufferAttribute(mesh.aboveHairlineMm, 1));
  geometry.setIndex(new BufferAttribute(mesh.triangles, 1));
  return geometry;
}

/** Every triangle with corners of its own, so that the shader knows how near each corner is. */
function cornered(mesh: PictureMesh): BufferGeometry {
  const n = mesh.triangles.length;
  const position = new Float32Array(3 * n);
  const normal = new Float32Array(3 * n);
  const light = new Float32Array(n);
  const above = new Float32Array(n);
  const corner = new Float32Array(3 * n);
  for (let i = 0; i < n; i++) {
    const v = mesh.triangles[i];
    for (let k = 0; k < 3; k++) {
      position[3 * i + k] = mesh.positions[3 * v + k];
      normal[3 * i + k] = mesh.normals[3 * v + k];
    }
    light[i] = mesh.light[v];
    above[i] = mesh.aboveHairlineMm[v];
    corner[3 * i + (i % 3)] = 1;
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(position, 3));
  geometry.setAttribute('normal', new BufferAttribute(normal, 3));
  geometry.setAttribute('aLight', new BufferAttribute(light, 1));
  geometry.setAttribute('aAbove', new BufferAttribute(above, 1));
  geometry.setAttribute('aCorner', new BufferAttribute(corner, 3));
  geometry.setAttribute('aHeat', new BufferAttribute(new Float32Array(n), 1));
  geometry.setAttribute('aPick', new BufferAttribute(new Float32Array(n), 1));
  geometry.setAttribute('aMarks', new BufferAttribute(new Float32Array(4 * n), 4));
  return geometry;
}
