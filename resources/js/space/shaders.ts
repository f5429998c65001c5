/**
 * A rope's vertex: its point in two frames is mixed, so that drawing a knot up costs no script; the tube stands square to the
 * line about a direction that does not twist.
 */
export const ROPE_VERTEX = /* glsl */ `
  uniform highp sampler2D frames;
  uniform highp sampler2D square;
  uniform float place;
  uniform float last;
  attribute float ring;
  attribute float side;
  attribute float cap;
  varying vec3 facing;
  varying float gone;
  varying float about;
  vec4 at(highp sampler2D from, float point) {
    int k = int(clamp(point, 0.0, last));
    int frame = int(floor(place));
    return mix(texelFetch(from, ivec2(k, frame), 0), texelFetch(from, ivec2(k, frame + 1), 0), fract(place));
  }
  void main() {
    vec4 here = at(frames, ring);
    vec3 along = normalize(at(frames, ring + 1.0).xyz - at(frames, ring - 1.0).xyz);
    vec3 across = at(square, ring).xyz;
    across = normalize(across - along * dot(across, along));
    vec3 third = cross(along, across);
    float angle = side * 6.2831853;
    vec3 out_ = cos(angle) * across + sin(angle) * third;
    gone = here.w;
    about = side;
    facing = normalize(normalMatrix * (cap == 0.0 ? out_ : along * cap));
    gl_Position = projectionMatrix * modelViewMatrix * vec4(here.xyz + (cap == 0.0 ? 0.5 : 0.0) * out_, 1.0);
  }
`;

/** Light from above and the left; a dark rim as drawings have it; the lay of the rope, whipped tails, and the second rope's stripe. */
export const ROPE_FRAGMENT = /* glsl */ `
  uniform float reach;
  uniform float far;
  uniform float ropeLength;
  uniform vec2 tails;
  uniform float traced;
  uniform float braided;
  uniform vec3 body;
  uniform vec3 line;
  uniform vec3 whip;
  uniform vec3 tracer;
  varying vec3 facing;
  varying float gone;
  varying float about;
  float groove(float turns, float wide) {
    float off = abs(fract(turns) - 0.5);
    float soft = fwidth(turns);
    return 1.0 - smoothstep(wide - soft, wide + soft, 0.5 - off);
  }
  void main() {
    if (gone > reach && gone < far) discard;
    vec3 normal = normalize(facing.z < 0.0 ? -facing : facing);
    float length_ = gone * ropeLength;
    float end = reach < 1.0 && gone <= reach ? reach * ropeLength - length_ : ropeLength - length_;
    bool tail = (tails.y > 0.5 && end < 1.2) || (tails.x > 0.5 && length_ < 1.2);
    vec3 colour = body;
    float strand = fract(about + length_ / 3.5) * 3.0;
    if (traced > 0.5 && braided < 0.5 && strand < 1.0) colour = tracer;
    if (traced > 0.5 && braided > 0.5 && fract(about * 2.0 + length_ / 1.6) < 0.2) colour = tracer;
    if (tail) colour = whip;
    float dark = 0.0;
    if (tail) dark = groove(length_ * 3.0, 0.14);
    else if (braided > 0.5) dark = max(groove(about * 6.0 + length_ * 2.0, 0.09), groove(about * 6.0 - length_ * 2.0, 0.09)) * 0.6;
    else dark = groove(strand, 0.07) * 0.75;
    float light = dot(normal, normalize(vec3(-0.35, 0.75, 0.6)));
    colour *= 0.66 + 0.5 * light;
    colour += vec3(0.2) * pow(max(0.0, light), 5.0);
    colour = mix(colour, line, dark * 0.55);
    float rim = abs(normal.z);
    colour = mix(line, colour, smoothstep(0.2 - fwidth(rim), 0.26 + fwidth(rim), rim));
    gl_FragColor = vec4(colour, 1.0);
    #include <colorspace_fragment>
  }
`;

export const WOOD_VERTEX = /* glsl */ `
  uniform float bar;
  varying vec3 facing;
  varying vec2 grainAt;
  varying float sawn;
  void main() {
    facing = normalize(normalMatrix * normal);
    grainAt = uv;
    sawn = bar * step(0.9, abs(normal.y));
    gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
  }
`;

/** Grain along a bar, and its rings where it is sawn off. */
export const WOOD_FRAGMENT = /* glsl */ `
  uniform vec3 body;
  uniform vec3 line;
  uniform vec3 grain;
  varying vec3 facing;
  varying vec2 grainAt;
  varying float sawn;
  void main() {
    vec3 normal = normalize(facing);
    float light = dot(normal, normalize(vec3(-0.35, 0.75, 0.6)));
    float along = sin(grainAt.x * 120.0 + sin(grainAt.y * 9.0) * 1.3);
    float rings = sin(length((grainAt - vec2(0.46, 0.54)) * vec2(1.0, 1.12)) * 62.0);
    float wave = sawn > 0.5 ? rings : along;
    vec3 colour = mix(body, grain, smoothstep(0.82, 0.98, wave) * 0.55);
    colour *= 0.66 + 0.5 * light;
    float rim = abs(normal.z);
    colour = mix(line, colour, smoothstep(0.1, 0.1 + fwidth(rim) * 2.0, rim));
    gl_FragColor = vec4(colour, 1.0);
    #include <colorspace_fragment>
  }
`;
