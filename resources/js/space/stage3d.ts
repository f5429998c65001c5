import {
  BufferGeometry,
  Color,
  CylinderGeometry,
  DataTexture,
  DoubleSide,
  Float32BufferAttribute,
  FloatType,
  Group,
  Mesh,
  NearestFilter,
  OrthographicCamera,
  Quaternion,
  RGBAFormat,
  Scene,
  ShaderMaterial,
  TorusGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import { type Bounds, boundsAt, boundsOf, framesOf, heightAt, type InSpace, type RopeFrames } from './decode';
import { ROPE_FRAGMENT, ROPE_VERTEX, WOOD_FRAGMENT, WOOD_VERTEX } from './shaders';

/** Sides of the tube that a rope is drawn as. */
const SIDES = 20;

export type Colours = { line: string; whipping: string; wood: string; grain: string; tracer: string; ropes: string[] };

/** How far each rope has come, as shares of it: up to `reach`, and again from `far`. */
export type Reach = Record<string, { reach: number; far: number }>;

/** A knot on a canvas: turned, drawn up and let out by a few numbers; the graphics card does the rest. */
export class Stage3d {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera(-1, 1, 1, -1, -200, 200);
  private readonly turned = new Group();
  private readonly moved = new Group();
  private readonly ropes: { id: string; material: ShaderMaterial; uniforms: RopeUniforms }[] = [];
  private readonly wood: { material: ShaderMaterial; uniforms: WoodUniforms }[] = [];
  private readonly bounds: Bounds[];
  private readonly frames: number;
  private tightness = 1;
  private pitch = 0;
  private aspect = 1;

  constructor(
    canvas: HTMLCanvasElement,
    knot: InSpace,
    mirrored: boolean,
    braided: boolean,
    private readonly lost: () => void,
  ) {
    this.renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
    this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
    canvas.addEventListener('webglcontextlost', this.lost);
    // A graphics card that cannot do it says so only here.
    this.renderer.debug.onShaderError = this.lost;
    this.frames = knot.frames.length;
    const ropes = framesOf(knot, mirrored);
    const objects = knot.objects.map((one) =>
      mirrored ? { ...one, from: flipped(one.from), to: flipped(one.to) } : one,
    );
    this.bounds = boundsOf(ropes, this.frames, objects);
    ropes.forEach((rope, number) => {
      const uniforms = ropeUniforms(rope, this.frames, number, braided);
      const material = new ShaderMaterial({
        side: DoubleSide,
        uniforms,
        vertexShader: ROPE_VERTEX,
        fragmentShader: ROPE_FRAGMENT,
      });
      this.ropes.push({ id: rope.id, material, uniforms });
      const mesh = new Mesh(tube(rope.count), material);
      mesh.frustumCulled = false;
      this.moved.add(mesh);
    });
    for (const object of objects) this.moved.add(this.woodOf(object));
    this.turned.add(this.moved);
    this.scene.add(this.turned);
  }

  colour(colours: Colours): void {
    this.ropes.forEach(({ uniforms }, number) => {
      uniforms.body.value.set(colours.ropes[number % colours.ropes.length] ?? '#888888');
      uniforms.line.value.set(colours.line);
      uniforms.whip.value.set(colours.whipping);
      uniforms.tracer.value.set(colours.tracer);
    });
    for (const { uniforms } of this.wood) {
      uniforms.body.value.set(colours.wood);
      uniforms.line.value.set(colours.line);
      uniforms.grain.value.set(colours.grain);
    }
  }

  /** 0 loose, 1 tight. */
  tighten(tightness: number): void {
    this.tightness = Math.max(0, Math.min(1, tightness));
    // The last frame is mixed with the one before it.
    const place = Math.max(0, Math.min(this.frames - 1.0001, this.tightness * (this.frames - 1)));
    for (const { uniforms } of this.ropes) uniforms.place.value = place;
  }

  show(reach: Reach | null): void {
    for (const { id, uniforms } of this.ropes) {
      const one = reach?.[id] ?? { reach: 1, far: 2 };
      uniforms.reach.value = one.reach;
      uniforms.far.value = one.far;
    }
  }

  /** In radians: to the right, its top toward one, and round. */
  turn(yaw: number, pitch: number, roll: number): void {
    this.pitch = pitch;
    const about = (x: number, y: number, z: number, angle: number): Quaternion =>
      new Quaternion().setFromAxisAngle(new Vector3(x, y, z), angle);
    this.turned.quaternion.copy(
      about(1, 0, 0, -pitch)
        .multiply(about(0, 1, 0, yaw))
        .multiply(about(0, 0, 1, roll)),
    );
  }

  size(width: number, height: number): void {
    this.aspect = width / Math.max(1, height);
    this.renderer.setSize(width, height, false);
  }

  draw(): void {
    const bounds = boundsAt(this.bounds, this.tightness * (this.frames - 1));
    const { x, y, z, round } = bounds;
    this.moved.position.set(-x, -y, -z);
    // The same room however far it is turned to the side: nothing swells and shrinks while it turns.
    const fit = Math.max(heightAt(bounds, this.pitch), round / this.aspect);
    this.camera.left = -fit * this.aspect;
    this.camera.right = fit * this.aspect;
    this.camera.top = fit;
    this.camera.bottom = -fit;
    this.camera.updateProjectionMatrix();
    this.renderer.render(this.scene, this.camera);
  }

  end(): void {
    this.renderer.domElement.removeEventListener('webglcontextlost', this.lost);
    this.scene.traverse((one) => {
      if (one instanceof Mesh) (one.geometry as BufferGeometry).dispose();
    });
    for (const { material, uniforms } of this.ropes) {
      uniforms.frames.value.dispose();
      uniforms.square.value.dispose();
      material.dispose();
    }
    for (const { material } of this.wood) material.dispose();
    this.renderer.dispose();
  }

  private woodOf(object: InSpace['objects'][number]): Mesh {
    const from = new Vector3(...object.from);
    const to = new Vector3(...object.to);
    const uniforms = {
      body: { value: new Color() },
      line: { value: new Color() },
      grain: { value: new Color() },
      bar: { value: object.kind === 'ring' ? 0 : 1 },
    };
    const material = new ShaderMaterial({ uniforms, vertexShader: WOOD_VERTEX, fragmentShader: WOOD_FRAGMENT });
    this.wood.push({ material, uniforms });
    if (object.kind === 'ring') {
      const ring = new Mesh(new TorusGeometry(from.distanceTo(to) / 2, object.radius, 16, 64), material);
      ring.position.copy(from).add(to).multiplyScalar(0.5);
      return ring;
    }
    const way = to.clone().sub(from).normalize();
    const bar = new Mesh(new CylinderGeometry(object.radius, object.radius, from.distanceTo(to), 40), material);
    bar.position.copy(from).add(to).multiplyScalar(0.5);
    bar.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), way);
    return bar;
  }
}

const flipped = ([x = 0, ...rest]: readonly number[]): number[] => [-x, ...rest];

type WoodUniforms = Record<'body' | 'line' | 'grain', { value: Color }>;

type RopeUniforms = ReturnType<typeof ropeUniforms>;

function ropeUniforms(rope: RopeFrames, frames: number, number: number, braided: boolean) {
  return {
    frames: { value: texture(rope.points, rope.count, frames) },
    square: { value: texture(rope.normals, rope.count, frames) },
    place: { value: 0 },
    last: { value: rope.count - 1 },
    ropeLength: { value: rope.length },
    reach: { value: 1 },
    far: { value: 2 },
    tails: { value: rope.runsOn.map((on) => (on ? 0 : 1)) },
    traced: { value: number % 2 },
    braided: { value: braided ? 1 : 0 },
    body: { value: new Color() },
    line: { value: new Color() },
    whip: { value: new Color() },
    tracer: { value: new Color() },
  };
}

function texture(values: Float32Array, width: number, height: number): DataTexture {
  const made = new DataTexture(values, width, height, RGBAFormat, FloatType);
  made.minFilter = NearestFilter;
  made.magFilter = NearestFilter;
  made.needsUpdate = true;
  return made;
}

/** A tube by numbers only: which point of the rope, which side of it, and whether it closes an end. */
function tube(count: number): BufferGeometry {
  const rings: number[] = [];
  const sides: number[] = [];
  const caps: number[] = [];
  const push = (ring: number, cap: number): void => {
    for (let side = 0; side <= SIDES; side++) {
      rings.push(ring);
      sides.push(side / SIDES);
      caps.push(cap);
    }
  };
  push(0, -1);
  for (let ring = 0; ring < count; ring++) push(ring, 0);
  push(count - 1, 1);
  const index: number[] = [];
  const row = SIDES + 1;
  for (let ring = 0; ring < count + 1; ring++) {
    for (let side = 0; side < SIDES; side++) {
      const a = ring * row + side;
      index.push(a, a + row, a + 1, a + 1, a + row, a + row + 1);
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(new Float32Array(rings.length * 3), 3));
  geometry.setAttribute('ring', new Float32BufferAttribute(rings, 1));
  geometry.setAttribute('side', new Float32BufferAttribute(sides, 1));
  geometry.setAttribute('cap', new Float32BufferAttribute(caps, 1));
  geometry.setIndex(index);
  return geometry;
}
