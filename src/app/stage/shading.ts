/** Shader text that head and hair share. */
export const COLOUR_MATH = /* glsl */ `
float hash(vec3 p) { return fract(sin(dot(p, vec3(12.9898, 78.233, 37.719))) * 43758.5453); }
vec3 encode(vec3 v) { return mix(12.92 * v, 1.055 * pow(max(v, vec3(0.0)), vec3(1.0 / 2.4)) - 0.055, step(0.0031308, v)); }`;
