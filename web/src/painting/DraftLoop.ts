import type { Look, Painting, Piece, PlanView, Schemas } from '../api/client';
import { preview } from '../api/ask';
import type { Paints } from './paths';
import { paint } from './brush';
import type { Place } from './place';
import { sized } from './place';

/** What the hand makes of a revision of a piece, and when it moved, ms since 1970. */
export interface Move {
  id: string;
  layerId: string | null;
  revision: number;
  commands: Schemas['Edit'][];
  look: Look;
  movedAt: number;
}

/** The outer form of what is painted. */
export type Shape = Pick<Painting, 'widthMm' | 'heightMm' | 'outline'>;

export type DraftOrder =
  | { canvas: HTMLCanvasElement | OffscreenCanvas }
  | { place: Place }
  | { move: Move }
  | { halt: 'keep' | 'clear' };

/** A draft is on its way to the screen; it is on it, so long after the move; or the numbers that belong to it. */
export type DraftNews =
  | { shape: Shape; piece: Piece | null | undefined }
  | { shown: { movedAt: number; shownAt: number } }
  | { plan: PlanView; piece: Piece | null | undefined }
  /** What stood in for the painting is taken away. */
  | { cleared: true }
  /** It cannot be painted here: somebody else has to. */
  | { failed: string };

const numbersEveryMs = 160;
/** Numbers that take long are asked for less often: no more than one part in so many of the time goes to them. */
const numbersShare = 4;
const now = () => performance.timeOrigin + performance.now();
const frame = () => new Promise<unknown>((done) => requestAnimationFrame(done));

/**
 * Paints what a drag gives, on a canvas of its own. One draft is asked for at a time and the latest move wins; the
 * numbers follow a few times a second and nothing waits for them.
 */
export class DraftLoop {
  private canvas: HTMLCanvasElement | OffscreenCanvas | null = null;
  private place: Place | null = null;
  /** What drafts are painted on, whole, before the canvas shows them: not only once its frame begins. */
  private sheet: OffscreenCanvas | null = null;
  /** What the canvas is shown by: taken once, since some browsers give it only once to a thread. */
  private shower: ImageBitmapRenderingContext | Paints | null = null;
  /** What is on the canvas: painted again when the view changes. */
  private seen: Painting | null = null;
  private next: Move | null = null;
  private busy = false;
  private counting = false;
  private countAt = 0;
  /** Counts halts: an answer to what was asked before one is not painted. */
  private halts = 0;

  constructor(private readonly tell: (news: DraftNews) => void) {}

  hear(order: DraftOrder) {
    if ('canvas' in order) {
      this.canvas = order.canvas;
      this.shower = null;
    } else if ('place' in order) {
      this.place = order.place;
      if (this.seen) this.show(this.seen);
    } else if ('halt' in order) {
      this.next = null;
      this.halts++;
      if (order.halt === 'keep') return;
      this.seen = null;
      this.clear();
    } else {
      this.next = order.move;
      if (!this.busy) void this.run();
    }
  }

  private async run() {
    this.busy = true;
    while (this.next) {
      const move: Move = this.next;
      this.next = null;
      const { halts } = this;
      // The save after the drag says what is wrong; the last good draft stays.
      const got = await this.ask(move, 'draft', false).catch(() => null);
      const painting = got?.painting;
      if (!painting || halts !== this.halts) continue;
      try {
        // Worked out while this is painted: later, they would be in the way of the next draft.
        void this.count(move);
        this.show(painting);
        const { widthMm, heightMm, outline } = painting;
        this.tell({ shape: { widthMm, heightMm, outline }, piece: got.piece });
        // On the screen with the frame that begins now, as a trace of the compositor shows. What is asked for at the
        // start of a frame may be back before the next one.
        await frame();
        this.tell({ shown: { movedAt: move.movedAt, shownAt: now() } });
      } catch (e) {
        this.tell({ failed: String(e) });
      }
    }
    this.busy = false;
  }

  private show(painting: Painting) {
    this.seen = painting;
    if (!this.canvas || !this.place) return;
    if (typeof OffscreenCanvas !== 'undefined') this.sheet ??= new OffscreenCanvas(1, 1);
    const context = sized(this.sheet ?? this.canvas, this.place);
    if (context) paint(context, painting, this.place.view.pixelsPerMm);
    if (!this.sheet) return;
    const { width, height } = this.sheet;
    if (this.canvas.width !== width || this.canvas.height !== height)
      [this.canvas.width, this.canvas.height] = [width, height];
    this.turnTo(this.sheet);
  }

  private clear() {
    try {
      if (this.sheet) this.turnTo(null);
      else if (this.place) sized(this.canvas, this.place);
    } catch (e) {
      this.tell({ failed: String(e) });
    }
  }

  private turnTo(sheet: OffscreenCanvas | null) {
    const { canvas } = this;
    if (!canvas) return;
    this.shower ??= (canvas.getContext('bitmaprenderer') ?? canvas.getContext('2d')) as typeof this.shower;
    const { shower } = this;
    if (!shower) throw new Error('No way to show a draft.');
    if ('transferFromImageBitmap' in shower)
      return shower.transferFromImageBitmap(sheet && sheet.transferToImageBitmap());
    shower.clearRect(0, 0, canvas.width, canvas.height);
    if (sheet) shower.drawImage(sheet, 0, 0);
  }

  private async count(move: Move) {
    if (this.counting || now() < this.countAt) return;
    const asked = now();
    const { halts } = this;
    this.counting = true;
    try {
      const { plan, piece } = await this.ask(move, null, true);
      if (plan && halts === this.halts) this.tell({ plan, piece });
    } catch {
      // As above.
    }
    this.countAt = now() + Math.max(numbersEveryMs, (numbersShare - 1) * (now() - asked));
    this.counting = false;
  }

  private ask({ id, revision, commands, layerId, look }: Move, detail: 'draft' | null, numbers: boolean) {
    return preview(id, { revision, commands, layerId, detail, numbers, look });
  }
}
