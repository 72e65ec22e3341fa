import type { Edit, EditedView, Look, Piece, PieceView, PlanView, Schemas } from '../api/client';
import { Refused } from '../api/client';
import type { DraftOrder } from '../painting/DraftLoop';
import { burstOf } from './burst';
import type { Saving, SavingEvent } from './saving';
import { after } from './saving';

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
  /** Counts how often everything on the page was: fields begin anew with what is kept. */
  renewed: number;
}

/** What the editor asks of the workshop. */
export interface Workshop {
  load: () => Promise<PieceView>;
  /** What is sent is sent until it is answered; each time it is not, that is told. */
  edit: (body: Schemas['EditPiece'], unanswered: (message: string) => void) => Promise<EditedView>;
  step: (body: Schemas['StepPiece'], unanswered: (message: string) => void) => Promise<PieceView>;
  /** Something was kept: what else the page asked for may have changed. */
  kept: (view: PieceView) => void;
}

interface Change {
  id: string;
  commands: Edit[];
  done: (edited: EditedView | null) => void;
}

type UndoStep = Schemas['UndoStep'];

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
  const sittings = to.piece.sittings.map(
    ({ id }) =>
      to.plan.sittings.find((s) => s.sittingId === id) ?? plan?.sittings.find((s) => s.sittingId === id),
  );
  const ground = to.plan.ground ?? plan?.ground;
  const findings = to.plan.findings ?? plan?.findings;
  if (!ground || !findings || layers.some((l) => !l) || sittings.some((s) => !s)) return null;
  const { pot, hidden, need, tape, dam, sides, rubber, tapeOn } = to.plan;
  return {
    ground,
    findings,
    layers: layers as PlanView['layers'],
    sittings: sittings as PlanView['sittings'],
    pot,
    hidden,
    tape,
    dam,
    sides,
    rubber,
    tapeOn,
    need,
  };
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
  private steps: UndoStep[] = [];
  /** What was refused, each with the places that were to be set. */
  private refusals: { places: string[]; errors: Record<string, string[]> }[] = [];
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

  /** What else is shown with what happened to what is to be kept. */
  private happened(event: SavingEvent, to: Partial<Shown> = {}) {
    this.set({ ...to, saving: after(this.shown.saving, event) });
  }

  private readonly unanswered = (message: string) => this.happened({ is: 'unanswered', message });

  private setHand(to: Piece | null) {
    if (this.hand === to) return;
    this.hand = to;
    this.handListeners.forEach((tell) => tell());
  }

  /** Takes a piece as the workshop has it; after a choice between two of them that settles it. */
  private accept(view: PieceView, is: 'kept' | 'settled' = 'kept') {
    this.setHand(null);
    this.happened(
      { is, at: view.savedAt.local },
      { view, draft: view.piece, plan: view.plan, newest: null, looking: false },
    );
    this.workshop.kept(view);
  }

  /**
   * Takes a piece that was fetched, where nobody works: a newer one, or what time and the log have made of this one. What is older than
   * what is here came late.
   */
  offer(view: PieceView) {
    const { view: here, saving } = this.shown;
    if (view === here || !this.idle || saving.state === 'stale' || view.version < (here?.version ?? 0))
      return;
    if (view.version === here?.version) this.set({ view, plan: view.plan });
    else this.accept(view);
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
    this.set({ draft: this.shown.view?.piece ?? null });
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
    if (this.busy) return;
    this.busy = true;
    for (let next = this.queue[0]; next; next = this.queue[0]) {
      this.happened({ is: 'sent' });
      const { id, commands } = next;
      try {
        const basedOn = this.shown.view!.version;
        const got = await this.workshop.edit({ id, basedOn, commands }, this.unanswered);
        this.queue.shift();
        this.answered(commands);
        await this.took(got);
        next.done(got);
      } catch (e) {
        if (!(e instanceof Refused)) throw e;
        if (e.status === 409) {
          await this.overtaken(e.message);
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
    this.happened(
      { is: 'refused', message },
      // What a drag made of the plan goes with it.
      { draft: this.shown.view?.piece ?? null, plan: this.shown.view?.plan ?? this.shown.plan },
    );
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
    const { version, revision, savedAt, canUndo, canRedo, undoes, redoes, finished, painted, piece } = got;
    // What is not told of a change is fetched.
    const whole =
      view && plan && view.finished === finished && !view.problem
        ? { ...view, version, revision, savedAt, canUndo, canRedo, undoes, redoes, painted, piece, plan }
        : await this.workshop.load();
    if (!this.dragging) return this.accept(whole);
    this.happened({ is: 'kept', at: savedAt.local }, { view: whole });
    this.workshop.kept(whole);
  }

  /** Another window was faster: what it kept is shown beside this one's. */
  private async overtaken(message: string) {
    this.happened({ is: 'overtaken', message });
    this.set({ newest: await this.workshop.load().catch(() => null) });
  }

  /** After a save that came too late: takes the newest version, or puts this page's changes on top of it. */
  async settle(which: 'newest' | 'mine') {
    const mine = which === 'mine' ? this.queue : [];
    if (which === 'newest') this.queue.forEach((c) => c.done(null));
    this.queue = [];
    this.held = false;
    const got = await this.workshop.load();
    this.accept(got, 'settled');
    if (mine.length > 0) {
      this.queue = mine;
      return this.save();
    }
    this.send({ halt: 'clear' });
    this.set({ renewed: this.shown.renewed + 1 });
  }

  look = (looking: boolean) => this.set({ looking });

  /** Steps back or forward along the revisions; one asked for while something is on its way follows it. */
  async step(direction: UndoStep): Promise<void> {
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
      return this.happened({ is: 'kept', at: this.shown.view!.savedAt.local });
    }
    this.busy = true;
    try {
      const basedOn = this.shown.view!.version;
      this.accept(
        await this.workshop.step({ basedOn, step: direction, id: crypto.randomUUID() }, this.unanswered),
      );
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      this.steps = [];
      if (e.status === 409) await this.overtaken(e.message);
      else this.happened({ is: 'refused', message: e.message });
    }
    this.busy = false;
    if (this.queue.length > 0) return void this.save();
    const next = this.steps.shift();
    if (next) return this.step(next);
  }

  /** The page goes: what is under the hand is kept first. */
  leave = () => {
    this.flush();
  };
}
