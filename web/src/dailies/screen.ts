/** How two pictures are seen together. */
export type Together = 'one' | 'wipe' | 'beside' | 'difference' | 'turns';

/** What of the colours is seen. */
export type Channel = 'rgb' | 'r' | 'g' | 'b' | 'grey';

export interface Shown {
  a: ImageBitmap | undefined;
  b: ImageBitmap | undefined;
  together: Together;
  /** Where one ends and the other begins, as a share of the width. */
  wipe: number;
  /** How much lighter each is shown; 0 for one that came so. */
  stops: [number, number];
  channel: Channel;
  /** Pixels of the screen for one of the picture; 0 fits it in. */
  zoom: number;
  /** What of the picture is in the middle, as shares. */
  middle: [number, number];
}

const TOGETHER: Record<Together, number> = { one: 0, wipe: 1, beside: 2, difference: 3, turns: 0 };
const CHANNELS: Record<Channel, number> = { rgb: 0, r: 1, g: 2, b: 3, grey: 4 };

/** How much differences are brought out. */
const BROUGHT_OUT = 4;

const VERTEX = `#version 300 es
in vec2 corner; out vec2 at;
void main() { at = corner * 0.5 + 0.5; gl_Position = vec4(corner, 0.0, 1.0); }`;

// pictures are lightened as light is: by the curve of sRGB (IEC 61966-2-1) and back
const FRAGMENT = `#version 300 es
precision highp float;
in vec2 at; out vec4 colour;
uniform sampler2D a; uniform sampler2D b;
uniform vec4 place; uniform int together; uniform float wipe; uniform vec2 factor; uniform int channel;
uniform float broughtOut;
vec3 linear(vec3 c) { return mix(c / 12.92, pow((c + 0.055) / 1.055, vec3(2.4)), step(0.04045, c)); }
vec3 shown(vec3 c) { c = clamp(c, 0.0, 1.0); return mix(c * 12.92, 1.055 * pow(c, vec3(1.0 / 2.4)) - 0.055, step(0.0031308, c)); }
vec3 lit(vec3 c, float by) { return by == 1.0 ? c : shown(linear(c) * by); }
vec3 first(vec2 p) { return lit(texture(a, p).rgb, factor.x); }
vec3 second(vec2 p) { return lit(texture(b, p).rgb, factor.y); }
void main() {
  vec2 q = vec2(at.x, 1.0 - at.y);
  bool right = false;
  if (together == 2) { right = q.x > 0.5; q.x = fract(q.x * 2.0); }
  vec2 p = (q - place.xy) / place.zw;
  if (p.x < 0.0 || p.y < 0.0 || p.x > 1.0 || p.y > 1.0) { colour = vec4(0.0, 0.0, 0.0, 1.0); return; }
  vec3 c;
  if (together == 1) c = p.x < wipe ? first(p) : second(p);
  else if (together == 3) c = abs(first(p) - second(p)) * broughtOut;
  else c = right ? second(p) : first(p);
  if (channel == 1) c = c.rrr; else if (channel == 2) c = c.ggg; else if (channel == 3) c = c.bbb;
  else if (channel == 4) c = vec3(dot(c, vec3(0.2126, 0.7152, 0.0722)));
  if (together == 1 && abs(p.x - wipe) * place.z < 0.0012) c = vec3(1.0);
  colour = vec4(c, 1.0);
}`;

/** Where a picture lies on a screen: from its left and upper edge, and its size, as shares of the screen. */
export function placeOf(
  picture: { width: number; height: number },
  screen: { width: number; height: number },
  zoom: number,
  [x, y]: [number, number],
): [number, number, number, number] {
  const fits = Math.min(screen.width / picture.width, screen.height / picture.height);
  const scale = zoom || fits;
  const [w, h] = [(picture.width * scale) / screen.width, (picture.height * scale) / screen.height];
  return zoom ? [0.5 - x * w, 0.5 - y * h, w, h] : [(1 - w) / 2, (1 - h) / 2, w, h];
}

/** Puts pictures on a canvas, one or two together. */
export class Screen {
  private readonly gl: WebGL2RenderingContext;
  private readonly program: WebGLProgram;
  private readonly textures: WebGLTexture[];
  private readonly on: (ImageBitmap | undefined)[] = [undefined, undefined];

  /** @throws when the browser cannot draw in 3D */
  constructor(private readonly canvas: HTMLCanvasElement) {
    const gl = canvas.getContext('webgl2', { antialias: false, preserveDrawingBuffer: true });
    if (!gl) throw new Error('This browser cannot draw here.');
    this.gl = gl;
    const program = gl.createProgram();
    for (const [kind, text] of [
      [gl.VERTEX_SHADER, VERTEX],
      [gl.FRAGMENT_SHADER, FRAGMENT],
    ] as const) {
      const shader = gl.createShader(kind)!;
      gl.shaderSource(shader, text);
      gl.compileShader(shader);
      gl.attachShader(program, shader);
    }
    gl.linkProgram(program);
    gl.useProgram(program);
    this.program = program;
    gl.bindBuffer(gl.ARRAY_BUFFER, gl.createBuffer());
    gl.bufferData(gl.ARRAY_BUFFER, new Float32Array([-1, -1, 3, -1, -1, 3]), gl.STATIC_DRAW);
    const corner = gl.getAttribLocation(program, 'corner');
    gl.enableVertexAttribArray(corner);
    gl.vertexAttribPointer(corner, 2, gl.FLOAT, false, 0, 0);
    this.textures = [0, 1].map((unit) => {
      const t = gl.createTexture();
      gl.activeTexture(gl.TEXTURE0 + unit);
      gl.bindTexture(gl.TEXTURE_2D, t);
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_S, gl.CLAMP_TO_EDGE);
      gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_T, gl.CLAMP_TO_EDGE);
      return t;
    });
    gl.uniform1i(this.at('a'), 0);
    gl.uniform1i(this.at('b'), 1);
    gl.uniform1f(this.at('broughtOut'), BROUGHT_OUT);
  }

  private at(name: string): WebGLUniformLocation | null {
    return this.gl.getUniformLocation(this.program, name);
  }

  private put(unit: number, picture: ImageBitmap | undefined, near: boolean): void {
    const { gl } = this;
    gl.activeTexture(gl.TEXTURE0 + unit);
    gl.bindTexture(gl.TEXTURE_2D, this.textures[unit]);
    if (picture && this.on[unit] !== picture)
      gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, gl.RGBA, gl.UNSIGNED_BYTE, picture);
    if (!picture)
      gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, 1, 1, 0, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
    this.on[unit] = picture;
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.LINEAR);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, near ? gl.NEAREST : gl.LINEAR);
  }

  draw(s: Shown): void {
    const { gl, canvas } = this;
    const picture = s.a ?? s.b;
    gl.viewport(0, 0, canvas.width, canvas.height);
    if (!picture) {
      gl.clearColor(0, 0, 0, 1);
      gl.clear(gl.COLOR_BUFFER_BIT);
      return;
    }
    this.put(0, s.a, s.zoom >= 1);
    this.put(1, s.b, s.zoom >= 1);
    const half = s.together === 'beside' ? 2 : 1;
    const screen = { width: canvas.width / half, height: canvas.height };
    gl.uniform4f(this.at('place'), ...placeOf(picture, screen, s.zoom, s.middle));
    gl.uniform1i(this.at('together'), TOGETHER[s.together]);
    gl.uniform1f(this.at('wipe'), s.wipe);
    gl.uniform2f(this.at('factor'), 2 ** s.stops[0], 2 ** s.stops[1]);
    gl.uniform1i(this.at('channel'), CHANNELS[s.channel]);
    gl.drawArrays(gl.TRIANGLES, 0, 3);
  }

  dispose(): void {
    this.gl.getExtension('WEBGL_lose_context')?.loseContext();
  }
}
