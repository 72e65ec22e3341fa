import type { Edit, EditedView, Look, Piece, PieceView, PlanView, Schemas } from '../api/client';
import { Refused } from '../api/client';
import type { DraftOrder } from '../painting/DraftLoop';
import { burstOf } from './burst';

/** Whether what is on the page is kept. */
export type Saving =
  | { state: 'saving' }
  | { state: 'kept'; at: string }
  | { state: 'refused'; message: string }
  | { state: 'waiting'; message: string }
  | { state: 'stale'; message: string };

export interface Shown {
  view: PieceView | null;
  /** The piece as the page shows it: kept, or as what is under the hand would have it. */
  draft: Piece | null;
  plan: PlanView | null;
  saving: Saving;
  /** What was refused of fields, by their places, until they are set otherwise or it is given up. */
  errors: Readonly<Record<string, string>>;
  /** The newest of another window, where this page's came too late; and whether it is looked at. */
  newest: PieceView | null;
  looking: boolean;
  /** Counts how often what was on the canvas was given up: it is painted anew. */
  givenUp: number;
  /** Counts how often everything on the page was: fields begin anew with what is kept. */
  renewed: number;
}

/** What the editor asks of the workshop. */
export interface Workshop {
  load: () => Promise<PieceView>;
  edit: (body: Schemas['EditPiece']) => Promise<EditedView>;
  step: (body: Schemas['StepPiece']) => Promise<PieceView>;
  /** Something was kept: what else the page asked for may have changed. */
  kept: () => void;
}

interface Change {
  id: string;
  commands: Edit[];
  done: (edited: EditedView | null) => void;
}

type Step = Schemas['Step'];

export const retryAfterMs = 3000;
/** A burst of arrow keys is over when none has come for so long. */
export const burstMs = 450;

/** A plan with the layers of a newer one in place; a preview answers with those it was asked for. */
const withLayers = (plan: PlanView | null, newer: PlanView): PlanView | null =>
  plan && {
    ...newer,
    layers: plan.layers.map((l) => newer.layers.find((n) => n.layerId === l.layerId) ?? l),
  };

/** The fields that commands set by themselves. */
const placesOf = (commands: Edit[]) =>
  commands.flatMap((c) => (c.do === 'set-field' || c.do === 'nudge' ? [c.place] : []));

/** A plan with what a change made of it. Null where something of it is not known here. */
function changed(plan: PlanView | null, to: EditedView): PlanView | null {
  const layers = to.piece.layers.map(
    ({ id }) => to.plan.layers.find((l) => l.layerId === id) ?? plan?.layers.find((l) => l.layerId === id),
  );
  const ground = to.plan.ground ?? plan?.ground;
  const findings = to.plan.findings ?? plan?.findings;
  if (!ground || !findings || layers.some((l) => !l)) return null;
  const { pot, hidden } = to.plan;
  return { ground, findings, layers: layers as PlanView['layers'], pot, hidden };
}

/**
 * The piece that is worked at: what is kept of it, what is on its way, and what is under the hand. Changes are commands; they are sent one
 * at a time and in order, each with an id of its own, so that one that is sent again is taken once. A drag, and a burst of keys, are only
 * previewed until they are let go. It knows no view and no rule of the craft.
 */
export class PieceEditor {
  private shown: Shown = {
    view: null,
    draft: null,
    plan: null,
    saving: { state: 'saving' },
    errors: {},
    newest: null,
    looking: false,
    givenUp: 0,
    renewed: 0,
  };
  private readonly listeners = new Set<() => void>();
  private readonly handListeners = new Set<() => void>();
  /** The piece as it is under the hand, at the pace of its paintings; null while nothing is. */
  private hand: Piece | null = null;
  private queue: Change[] = [];
  private busy = false;
  private burst: { of: string; commands: Edit[]; timer: ReturnType<typeof setTimeout> } | null = null;
  private held = false;
  private steps: Step[] = [];
  /** What was refused, each with the places that were to be set. */
  private refusals: { places: string[]; errors: Record<string, string[]> }[] = [];
  private retry: ReturnType<typeof setTimeout> | undefined;
  private lookedAt: { layerId: string | null; look: Look } | null = null;

  constructor(
    private readonly id: string,
    private readonly workshop: Workshop,
    private readonly send: (order: DraftOrder) => void,
  ) {}

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  get = () => this.shown;

  subscribeHand = (listener: () => void) => {
    this.handListeners.add(listener);
    return () => void this.handListeners.delete(listener);
  };
  getHand = () => this.hand;

  /** Whether a drag or a burst is on. */
  get dragging() {
    return this.held || this.burst !== null;
  }

  /** Whether anything is on its way or under the hand. */
  get idle() {
    return !this.busy && this.queue.length === 0 && !this.dragging;
  }

  /** What is to be made to the revision that the page was given, oldest first. */
  get pending(): Edit[] {
    return [...this.queue.flatMap((c) => c.commands), ...(this.burst?.commands ?? [])];
  }

  /** What is painted while something is under the hand. */
  lookAt(layerId: string | null, look: Look) {
    this.lookedAt = { layerId, look };
  }

  private set(to: Partial<Shown>) {
    this.shown = { ...this.shown, ...to };
    this.listeners.forEach((tell) => tell());
  }

  private setHand(to: Piece | null) {
    if (this.hand === to) return;
    this.hand = to;
    this.handListeners.forEach((tell) => tell());
  }

  /** Takes a piece as the workshop has it. */
  accept = (view: PieceView) => {
    this.setHand(null);
    this.set({
      view,
      draft: view.piece,
      plan: view.plan,
      newest: null,
      looking: false,
      saving: { state: 'kept', at: view.savedAt.local },
    });
    this.workshop.kept();
  };

  /** Takes a piece that was fetched, if it is newer than what is here. */
  offer(view: PieceView) {
    if ((this.shown.view?.version ?? 0) < view.version && this.idle) this.accept(view);
  }

  /** Windows open and close as time goes by: the plan follows while nobody works. */
  async tick() {
    if (!this.idle) return;
    const got = await this.workshop.load().catch(() => null);
    if (got && got.version === this.shown.view?.version && this.idle) this.set({ plan: got.plan });
  }

  /** What a preview makes of the plan and the piece; it counts only while something is under the hand. */
  previewed(plan: PlanView, piece: Piece | null | undefined) {
    if (!this.dragging) return;
    this.set({ plan: withLayers(this.shown.plan, plan), ...(piece ? { draft: piece } : {}) });
  }

  /** The piece of the draft that is painted now. */
  painted(piece: Piece) {
    if (this.dragging) this.setHand(piece);
  }

  /** What was not kept because another window was faster, worked out without keeping it. */
  aside(plan: PlanView, piece: Piece | null | undefined) {
    if (this.shown.saving.state === 'stale')
      this.set({ plan: withLayers(this.shown.plan, plan), ...(piece ? { draft: piece } : {}) });
  }

  /** Makes a change and has it kept. Changes of one kind in a burst are one step. */
  edit = (...commands: Edit[]): Promise<EditedView | null> => {
    if (!this.shown.view || commands.length === 0) return Promise.resolve(null);
    if (this.shown.looking) this.set({ looking: false });
    const of = burstOf();
    if (of === null || this.burst?.of !== of) this.flush();
    if (of !== null) {
      clearTimeout(this.burst?.timer);
      this.burst = {
        of,
        commands: [...(this.burst?.commands ?? []), ...commands],
        timer: setTimeout(this.flush, burstMs),
      };
      this.move([], performance.now());
      return Promise.resolve(null);
    }
    this.held = false;
    this.send({ halt: 'keep' });
    return this.push(commands);
  };

  /** Shows a change while it is dragged; `edit` has it kept. The time of the hand's move goes with it, to be measured. */
  drag = (commands: Edit[], movedAt: number) => {
    if (!this.shown.view) return;
    this.held = true;
    this.move(commands, movedAt);
  };

  /** Ends a drag that is not to be kept: everything is as it was. */
  letGo = () => {
    this.held = false;
    this.setHand(null);
    this.send({ halt: 'clear' });
    this.set({ draft: this.shown.view?.piece ?? null, givenUp: this.shown.givenUp + 1 });
  };

  private move(commands: Edit[], movedAt: number) {
    const { view } = this.shown;
    if (!view || !this.lookedAt) return;
    this.send({
      move: {
        id: this.id,
        ...this.lookedAt,
        revision: view.revision,
        commands: [...this.pending, ...commands],
        movedAt: performance.timeOrigin + movedAt,
      },
    });
  }

  /** Ends a burst of changes: what it gave is kept as one step. */
  flush = () => {
    if (!this.burst) return;
    const { commands, timer } = this.burst;
    clearTimeout(timer);
    this.burst = null;
    this.send({ halt: 'keep' });
    void this.push(commands);
  };

  private push(commands: Edit[]) {
    return new Promise<EditedView | null>((done) => {
      this.queue.push({ id: crypto.randomUUID(), commands, done });
      void this.save();
    });
  }

  private async save() {
    clearTimeout(this.retry);
    if (this.busy) return;
    this.busy = true;
    for (let next = this.queue[0]; next; next = this.queue[0]) {
      this.set({ saving: { state: 'saving' } });
      const { id, commands } = next;
      try {
        const got = await this.workshop.edit({ id, basedOn: this.shown.view!.version, commands });
        this.queue.shift();
        this.answered(commands);
        await this.took(got);
        next.done(got);
      } catch (e) {
        if (!(e instanceof Refused)) throw e;
        if (e.status === 409) {
          this.set({ saving: { state: 'stale', message: e.message } });
          this.set({ newest: await this.workshop.load().catch(() => null) });
          break;
        }
        if (e.status !== 400 && e.status !== 404 && e.status !== 422) {
          this.set({ saving: { state: 'waiting', message: e.message } });
          this.retry = setTimeout(() => void this.save(), retryAfterMs);
          break;
        }
        this.queue.shift();
        next.done(null);
        this.refuse(e, commands);
        if (this.queue.length > 0) continue;
        break;
      }
    }
    this.busy = false;
    const direction = this.steps.shift();
    if (direction) void this.step(direction);
  }

  /** What was refused is said and not kept; the piece is as it was. */
  private refuse({ message, errors }: Refused, commands: Edit[]) {
    this.answered(commands);
    this.refusals.push({ places: placesOf(commands), errors });
    this.setHand(null);
    this.send({ halt: 'clear' });
    this.tellRefusals();
    this.set({
      saving: { state: 'refused', message },
      draft: this.shown.view?.piece ?? null,
      // What a drag made of the plan goes with it.
      plan: this.shown.view?.plan ?? this.shown.plan,
    });
  }

  /** What was refused of fields that are set now is answered, and so is what was refused of no field. */
  private answered(commands: Edit[]) {
    const set = placesOf(commands);
    this.refusals = this.refusals.filter(
      (r) => r.places.length > 0 && !r.places.some((p) => set.includes(p)),
    );
    this.tellRefusals();
  }

  private tellRefusals() {
    const all = this.refusals.flatMap((r) => Object.entries(r.errors));
    this.set({ errors: Object.fromEntries(all.map(([place, sentences]) => [place, sentences[0] ?? ''])) });
  }

  private async took(got: EditedView) {
    const { view } = this.shown;
    const plan = changed(view?.plan ?? null, got);
    const { version, revision, savedAt, canUndo, canRedo, undoes, redoes, finished, piece } = got;
    // What is not told of a change is fetched.
    const whole =
      view && plan && view.finished === finished && !view.problem
        ? { ...view, version, revision, savedAt, canUndo, canRedo, undoes, redoes, piece, plan }
        : await this.workshop.load();
    if (this.dragging) this.set({ view: whole, saving: { state: 'kept', at: savedAt.local } });
    else this.accept(whole);
    if (this.dragging) this.workshop.kept();
  }

  /** After a save that came too late: takes the newest version, or puts this page's changes on top of it. */
  async settle(which: 'newest' | 'mine') {
    const mine = which === 'mine' ? this.queue : [];
    if (which === 'newest') this.queue.forEach((c) => c.done(null));
    this.queue = [];
    this.held = false;
    const got = await this.workshop.load();
    this.accept(got);
    if (mine.length > 0) {
      this.queue = mine;
      return this.save();
    }
    this.send({ halt: 'clear' });
    const { givenUp, renewed } = this.shown;
    this.set({ givenUp: givenUp + 1, renewed: renewed + 1 });
  }

  look = (looking: boolean) => this.set({ looking });

  /** Steps back or forward along the revisions; one asked for while something is on its way follows it. */
  async step(direction: Step): Promise<void> {
    this.flush();
    if (this.shown.saving.state === 'stale') return;
    if (this.busy || this.queue.length > 0) {
      this.steps.push(direction);
      return;
    }
    // What was refused is what a person wants undone first.
    if (this.shown.saving.state === 'refused' && direction === 'undo') {
      this.refusals = [];
      this.tellRefusals();
      this.set({ saving: { state: 'kept', at: this.shown.view!.savedAt.local } });
      return;
    }
    this.busy = true;
    let failed = false;
    try {
      this.accept(await this.workshop.step({ basedOn: this.shown.view!.version, step: direction }));
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      failed = true;
      if (e.status === 409) this.steps = [];
      else this.steps.unshift(direction);
      this.set({ saving: { state: e.status === 409 ? 'stale' : 'waiting', message: e.message } });
      if (e.status === 409) this.set({ newest: await this.workshop.load().catch(() => null) });
      else this.retry = setTimeout(() => void this.stepAgain(), retryAfterMs);
    }
    this.busy = false;
    if (this.queue.length > 0) return void this.save();
    const next = failed ? undefined : this.steps.shift();
    if (next) return this.step(next);
  }

  private async stepAgain() {
    const next = this.steps.shift();
    if (next) await this.step(next);
  }

  /** The page goes: what is under the hand is kept first. */
  leave = () => {
    this.flush();
  };
}
