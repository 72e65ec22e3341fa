import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PaintPath, Painting } from '../api/client';
import { paint } from './brush';
import type { Paints } from './paths';
import { regionAt } from './regions';

/** A path that knows what it was made from; of these only squares 'x y size' are asked whether a point is in them. */
class TestPath {
  constructor(readonly text: string | TestPath) {}
  addPath() {}
  rect() {}
  toString(): string {
    return String(this.text);
  }
}

interface Drawn {
  what: 'fill' | 'stroke' | 'sheet';
  path: string;
  colour: unknown;
  blend: string;
  alpha: number;
  clips: string[];
}

/** A context that writes down what is drawn on it, and where it is when it is. */
class TestContext {
  drawn: Drawn[] = [];
  canvas = { width: 100, height: 100 };
  globalAlpha = 1;
  globalCompositeOperation = 'source-over';
  fillStyle: unknown = '';
  strokeStyle: unknown = '';
  lineWidth = 1;
  lineJoin = '';
  private clips: string[] = [];
  private kept: { clips: string[]; alpha: number; blend: string }[] = [];

  save() {
    this.kept.push({
      clips: this.clips,
      alpha: this.globalAlpha,
      blend: this.globalCompositeOperation,
    });
  }
  restore() {
    const { clips, alpha, blend } = this.kept.pop()!;
    this.clips = clips;
    this.globalAlpha = alpha;
    this.globalCompositeOperation = blend;
  }
  clip(path?: TestPath) {
    this.clips = [...this.clips, path ? String(path.text) : 'box'];
  }
  fill(path: TestPath) {
    this.note('fill', path, this.fillStyle);
  }
  fillRect(x: number, y: number, wide: number, high: number) {
    this.note('fill', new TestPath(`box ${x} ${y} ${wide} ${high}`), this.fillStyle);
  }
  stroke(path: TestPath) {
    this.note('stroke', path, this.strokeStyle);
  }
  beginPath() {}
  rect() {}
  translate() {}
  scale() {}
  setTransform() {}
  resetTransform() {}
  getTransform() {
    return { a: 1, d: 1, e: 0, f: 0 };
  }
  reset() {
    this.drawn = [];
  }
  drawImage({ context }: TestSheet) {
    this.note('sheet', new TestPath(context.drawn.map((d) => `${d.blend} ${d.path}`).join(', ')), null);
  }
  createPattern() {
    return null;
  }
  createLinearGradient() {
    const stops: [number, string][] = [];
    return { stops, addColorStop: (at: number, colour: string) => stops.push([at, colour]) };
  }
  isPointInPath(path: TestPath, x: number, y: number) {
    const [left, top, size] = String(path.text).split(' ').map(Number) as [number, number, number];
    return x >= left && x < left + size && y >= top && y < top + size;
  }
  private note(what: Drawn['what'], { text }: TestPath, colour: unknown) {
    const { globalCompositeOperation: blend, globalAlpha: alpha, clips } = this;
    this.drawn.push({ what, path: String(text), colour, blend, alpha, clips });
  }
}

/** A canvas to paint on by itself; laid on another, it tells what was drawn on it. */
class TestSheet {
  context = new TestContext();
  constructor(
    public width: number,
    public height: number,
  ) {}
  getContext() {
    return this.context;
  }
}

const path = (over: Partial<PaintPath>): PaintPath => ({
  role: 'part',
  path: '0 0 100',
  fill: '#334455',
  stroke: null,
  strokeMm: 0,
  opacity: 1,
  region: 'r',
  material: 'layer-1/cup',
  glass: false,
  clip: null,
  ...over,
});
const painting = (over: Partial<Painting>): Painting => ({
  widthMm: 100,
  heightMm: 100,
  outline: '0 0 100',
  ground: '#d9c29a',
  materials: [],
  paths: [],
  clips: [],
  panels: null,
  insets: [],
  look: { full: false, wet: false, filtersFrom: null, tiltDeg: 0 },
  ...over,
});

const through = (filtersFrom: number | null) => ({ full: false, wet: false, filtersFrom, tiltDeg: 0 });

let context: TestContext;
const on = () => context as unknown as Paints;
const fills = (of: string) => context.drawn.filter((d) => d.what === 'fill' && d.path === of);

beforeEach(() => {
  context = new TestContext();
  vi.stubGlobal('Path2D', TestPath);
  vi.stubGlobal(
    'DOMMatrix',
    class {
      scale() {
        return this;
      }
    },
  );
  HTMLCanvasElement.prototype.getContext = (() => null) as never;
});

describe('the brush', () => {
  it('lays each path on what is painted before it, by its opacity', () => {
    paint(on(), painting({ paths: [path({ path: '1 1 9' }), path({ path: '2 2 9', opacity: 0.4 })] }), 1);
    expect(context.drawn[0]).toMatchObject({ path: 'box 0 0 100 100', colour: '#d9c29a' });
    expect(fills('1 1 9')).toMatchObject([{ blend: 'source-over', alpha: 1 }]);
    expect(fills('2 2 9')).toMatchObject([{ blend: 'source-over', alpha: 0.4 }]);
  });

  it('takes light away from behind with every path above the lowest layer', () => {
    paint(on(), painting({ look: through(1), paths: [path({ path: '1 1 9' }), path({ path: '2 2 9' })] }), 1);
    expect(fills('1 1 9')).toMatchObject([{ blend: 'source-over' }]);
    expect(fills('2 2 9')).toMatchObject([{ blend: 'multiply' }]);
  });

  it('paints no ground where something lies below already', () => {
    const inside = painting({ ground: null, outline: '5 5 20', paths: [path({ path: '6 6 9' })] });
    paint(on(), painting({ insets: [{ below: false, xMm: 0, yMm: 0, painting: inside }] }), 1);
    expect(context.drawn.filter((d) => d.path.startsWith('box'))).toHaveLength(1);
    expect(fills('6 6 9')).toHaveLength(1);
  });

  it('clips what belongs to a part by the part', () => {
    paint(
      on(),
      painting({ clips: ['7 7 9'], paths: [path({ path: '1 1 9', clip: 0 }), path({ path: '2 2 9' })] }),
      1,
    );
    expect(fills('1 1 9')[0]!.clips).toContain('7 7 9');
    expect(fills('2 2 9')[0]!.clips).not.toContain('7 7 9');
  });

  it('cuts what reaches over the outline off, once all is painted', () => {
    paint(on(), painting({ paths: [path({ path: '1 1 9' })] }), 1);
    expect(context.drawn.at(-1)).toMatchObject({ path: '0 0 100', blend: 'destination-out' });
    expect(fills('1 1 9')[0]!.clips).toEqual([]);
  });

  it('clips a rectangle, and cuts nothing off it', () => {
    paint(on(), painting({ outline: 'M0 0L100 0L100 60L0 60Z', paths: [path({ path: '1 1 9' })] }), 1);
    expect(fills('1 1 9')[0]!.clips).toEqual(['box']);
    expect(context.drawn.some((d) => d.blend === 'destination-out')).toBe(false);
  });

  describe('with sheets to paint on', () => {
    beforeEach(() => {
      vi.stubGlobal('OffscreenCanvas', TestSheet);
      return () => vi.stubGlobal('OffscreenCanvas', undefined);
    });
    const laid = () => context.drawn.filter((d) => d.what === 'sheet').map((d) => d.path);

    it('paints what follows each other in one part on a sheet that is cut along the part', () => {
      const paths = [
        path({ path: '1 1 9', clip: 0 }),
        path({ path: '2 2 9', clip: 0 }),
        path({ path: '3 3 9' }),
      ];
      paint(on(), painting({ clips: ['7 7 9'], paths }), 1);
      expect(laid()[0]).toBe('source-over 1 1 9, source-over 2 2 9, destination-out 7 7 9');
      expect(fills('1 1 9')).toEqual([]);
      expect(fills('3 3 9')).toHaveLength(1);
    });

    it('clips what takes its share of the light: it must lie on what it takes it from', () => {
      const paths = [path({ path: '1 1 9' }), path({ path: '2 2 9', clip: 0 })];
      paint(on(), painting({ look: through(1), clips: ['7 7 9'], paths }), 1);
      expect(fills('2 2 9')).toMatchObject([{ blend: 'multiply', clips: ['7 7 9'] }]);
    });

    it('clips an inset that takes its share of the light from what lies below it', () => {
      const inset = (filtersFrom: number | null) => {
        const paths = [path({ path: '6 6 9' })];
        const inside = painting({ ground: null, outline: '5 5 20', paths, look: through(filtersFrom) });
        paint(on(), painting({ insets: [{ below: false, xMm: 0, yMm: 0, painting: inside }] }), 1);
      };
      inset(0);
      expect(fills('6 6 9')).toMatchObject([{ blend: 'multiply', clips: ['5 5 20'] }]);
      context = new TestContext();
      inset(null);
      expect(laid()[0]).toContain('source-over 6 6 9');
    });

    it('paints panels that are alike once and copies them, unless they are larger than the canvas', () => {
      const copies = [
        { fromMm: 0, mirrored: false },
        { fromMm: 100, mirrored: true },
      ];
      const of = (wide: number) =>
        painting({
          panels: { outline: `M0 0L${wide} 0L${wide} 60L0 60Z`, copies },
          paths: [path({ path: '1 1 9' })],
        });
      paint(on(), of(50), 1);
      expect(laid().slice(0, 2)).toEqual(['source-over 1 1 9', 'source-over 1 1 9']);
      expect(fills('1 1 9')).toEqual([]);
      paint(on(), of(500), 1);
      expect(fills('1 1 9').map((d) => d.clips)).toEqual([['box'], ['box']]);
    });

    it('strokes a rim once for as long as it stays where it is', () => {
      const strokes = vi.spyOn(TestContext.prototype, 'stroke');
      for (const outline of ['4 4 9', '4 4 9', '5 5 9', '4 4 9']) paint(on(), painting({ outline }), 1);
      expect(strokes.mock.calls.map(([p]) => String(p))).toEqual(['4 4 9', '4 4 9', '5 5 9', '5 5 9']);
      strokes.mockRestore();
    });
  });

  it('leaves what is clear unpainted', () => {
    paint(on(), painting({ paths: [path({ path: '1 1 9', opacity: 0 })] }), 1);
    expect(fills('1 1 9')).toEqual([]);
  });

  it('paints every panel, clipped by its own outline', () => {
    const copies = [
      { fromMm: 0, mirrored: false },
      { fromMm: 100, mirrored: true },
    ];
    paint(on(), painting({ panels: { outline: '0 0 50', copies }, paths: [path({ path: '1 1 9' })] }), 1);
    expect(fills('1 1 9').map((d) => d.clips.at(-1))).toEqual(['0 0 50', '0 0 50']);
  });
});

describe('what lies at a point', () => {
  const at = (of: Painting, x: number, y: number) => regionAt(on(), of, x, y, 'layer-1');

  it('is the innermost body of the layer that is asked for', () => {
    const paths = [
      path({ path: '0 0 100', region: 'rim' }),
      path({ path: '20 20 40', region: 'heart' }),
      path({ path: '0 0 100', region: 'veil', material: 'layer-2/cup' }),
    ];
    expect(at(painting({ paths }), 30, 30)).toBe('heart');
    expect(at(painting({ paths }), 5, 5)).toBe('rim');
    expect(at(painting({ paths }), 300, 5)).toBeNull();
  });

  it('counts only within the part that it is clipped by', () => {
    const paths = [path({ path: '0 0 100', region: 'zone', clip: 0 })];
    expect(at(painting({ clips: ['0 0 10'], paths }), 5, 5)).toBe('zone');
    expect(at(painting({ clips: ['0 0 10'], paths }), 50, 50)).toBeNull();
  });

  it('is found from below where it lies then', () => {
    const below = painting({
      panels: { outline: '0 0 100', copies: [{ fromMm: 100, mirrored: true }] },
      paths: [path({ path: '0 0 10', region: 'corner' })],
    });
    expect(at(below, 95, 5)).toBe('corner');
    expect(at(below, 5, 5)).toBeNull();
  });
});
