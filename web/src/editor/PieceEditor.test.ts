import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { retryAfterMs, sent } from '../api/changes';
import type { Edit, EditedView, PieceView, PlanView } from '../api/client';
import { Refused } from '../api/client';
import { newQueries } from '../api/queries';
import type { DraftOrder, Move } from '../painting/DraftLoop';
import { PieceEditor, burstMs } from './PieceEditor';
import { inBurst } from './burst';

const named = (name: string): Edit => ({ do: 'set-field', place: 'name', value: name });

/** A workshop of one piece: versions, refusals, answers that are lost, and gone now and then. */
class TestWorkshop {
  names = ['first'];
  at = 0;
  version = 1;
  gone = false;
  /** The next change is made, and its answer is lost. */
  lost = false;
  finished = false;
  refusing: string | null = null;
  loads = 0;
  edits: { id: string; commands: Edit[] }[] = [];
  private made = new Set<string>();

  get view() {
    return {
      id: 'p1',
      version: this.version,
      revision: this.at + 1,
      savedAt: { at: '', local: `kept ${this.version}` },
      canUndo: this.at > 0,
      canRedo: this.at < this.names.length - 1,
      undoes: null,
      redoes: null,
      finished: this.finished,
      problem: null,
      piece: { name: this.names[this.at], layers: [{ id: 'l1' }, { id: 'l2' }], sittings: [{ id: 's1' }] },
      plan: this.plan,
      runs: [],
    } as unknown as PieceView;
  }

  get plan() {
    const layers = ['l1', 'l2'].map((layerId) => ({ layerId, of: this.names[this.at] }));
    const sittings = [{ sittingId: 's1' }];
    return {
      ground: { of: 'ground' },
      findings: [],
      layers,
      sittings,
      pot: null,
      hidden: null,
      need: [],
    } as unknown as PlanView;
  }

  load = async () => {
    this.loads++;
    this.answers();
    return this.view;
  };

  edit = async ({ id, basedOn, commands }: { id: string; basedOn: number; commands: Edit[] }) => {
    this.answers();
    this.edits.push({ id, commands });
    const lost = this.lost;
    this.lost = false;
    if (!this.made.has(id)) {
      if (basedOn !== this.version) throw new Refused(409, 'Saved in another window.', {});
      if (this.refusing) throw new Refused(400, this.refusing, { here: [this.refusing] });
      const last = commands.at(-1)!;
      const name = last.do === 'set-field' ? String(last.value) : last.do;
      if (name === '') throw new Refused(400, 'A piece needs a name.', { name: ['A piece needs a name.'] });
      this.theirs(name ?? '');
      this.made.add(id);
    }
    if (lost) throw new Refused(0, 'The answer was lost.', {});
    const { view, plan } = this;
    return {
      ...view,
      // Only the first layer has changed.
      plan: {
        ground: null,
        findings: null,
        layers: [plan.layers[0]],
        sittings: [],
        pot: null,
        hidden: null,
        need: [],
      },
      made: null,
    } as unknown as EditedView;
  };

  step = async ({ basedOn, step }: { basedOn: number; step: 'undo' | 'redo' }) => {
    this.answers();
    if (basedOn !== this.version) throw new Refused(409, 'Saved in another window.', {});
    this.at += step === 'undo' ? -1 : 1;
    this.version++;
    return this.view;
  };

  theirs(name: string) {
    this.names = [...this.names.slice(0, this.at + 1), name];
    this.at++;
    this.version++;
  }

  kept = vi.fn();

  private answers() {
    if (this.gone) throw new Refused(0, 'The workshop is not answering.', {});
  }
}

let workshop: TestWorkshop;
let orders: DraftOrder[];
let editor: PieceEditor;

beforeEach(() => {
  vi.useFakeTimers();
  workshop = new TestWorkshop();
  orders = [];
  const queries = newQueries();
  const { load, kept } = workshop;
  editor = new PieceEditor(
    'p1',
    {
      load,
      kept,
      edit: (body, unanswered) => sent(queries, () => workshop.edit(body), unanswered),
      step: (body, unanswered) => sent(queries, () => workshop.step(body), unanswered),
    },
    (order) => orders.push(order),
  );
  editor.lookAt('l1', { face: 'top', wet: false, light: 'front', tiltDeg: 0, torched: false });
  editor.offer(workshop.view);
});
afterEach(() => {
  vi.useRealTimers();
});

const settled = () => vi.advanceTimersByTimeAsync(0);
const state = () => editor.get().saving.state;
const name = () => editor.get().draft?.name;
const moves = () => orders.flatMap((o): Move[] => ('move' in o ? [o.move] : []));

describe('a change', () => {
  it('is kept, and what it made of the plan is put in place of what was', async () => {
    const made = editor.edit(named('second'));
    expect(state()).toBe('saving');
    expect(await made).toMatchObject({ version: 2 });
    expect([state(), name(), editor.get().view?.revision]).toEqual(['kept', 'second', 2]);
    expect(editor.get().plan?.layers.map((l) => (l as unknown as { of: string }).of)).toEqual([
      'second',
      'first',
    ]);
    expect(workshop.loads).toBe(0);
    expect(workshop.kept).toHaveBeenCalled();
  });

  it('that tells more than it says is fetched whole', async () => {
    workshop.finished = true;
    await editor.edit(named('second'));
    expect(workshop.loads).toBe(1);
    expect(editor.get().view?.finished).toBe(true);
  });

  it('waits for the one before it, and none is left out', async () => {
    for (const n of ['a', 'b', 'c']) void editor.edit(named(n));
    await settled();
    expect(workshop.names).toEqual(['first', 'a', 'b', 'c']);
    expect(new Set(workshop.edits.map((e) => e.id)).size).toBe(3);
  });

  it('that was refused is said, the piece is as it was, and those behind it go on', async () => {
    const refused = editor.edit(named(''));
    void editor.edit(named('after'));
    expect(await refused).toBeNull();
    await settled();
    expect([state(), name()]).toEqual(['kept', 'after']);
    expect(await editor.edit(named(''))).toBeNull();
    expect(editor.get().saving).toMatchObject({ state: 'refused', message: 'A piece needs a name.' });
    expect(editor.get().errors).toEqual({ name: 'A piece needs a name.' });
    expect(name()).toBe('after');
    await editor.step('undo');
    expect([state(), name(), workshop.at]).toEqual(['kept', 'after', 1]);
    expect(editor.get().errors).toEqual({});
  });

  it('that was refused is said until its field is set otherwise, whatever is kept meanwhile', async () => {
    await editor.edit(named(''));
    await editor.edit({ do: 'nudge', place: 'layers[l1].depthMm', by: 1 });
    expect([state(), editor.get().errors]).toEqual(['kept', { name: 'A piece needs a name.' }]);
    await editor.edit(named('good'));
    expect([state(), editor.get().errors]).toEqual(['kept', {}]);
  });

  it('of no field that was refused is said until the next is kept', async () => {
    workshop.refusing = 'There is no such band.';
    await editor.edit({ do: 'add-layer', clearCoat: false });
    expect(editor.get().errors).toEqual({ here: 'There is no such band.' });
    workshop.refusing = null;
    await editor.edit(named('next'));
    expect(editor.get().errors).toEqual({});
  });

  it('is tried again while the workshop is gone, under its own id', async () => {
    workshop.gone = true;
    void editor.edit(named('held'));
    await settled();
    expect(state()).toBe('waiting');
    workshop.gone = false;
    await vi.advanceTimersByTimeAsync(retryAfterMs);
    expect([state(), name()]).toEqual(['kept', 'held']);
  });

  it('whose answer was lost is sent again and taken once', async () => {
    workshop.lost = true;
    void editor.edit(named('once'));
    await settled();
    expect(state()).toBe('waiting');
    await vi.advanceTimersByTimeAsync(retryAfterMs);
    expect(state()).toBe('kept');
    expect(workshop.names).toEqual(['first', 'once']);
    expect(workshop.edits[0]!.id).toBe(workshop.edits[1]!.id);
  });
});

describe('a burst', () => {
  const press = (of: string, n: string) => inBurst(of, () => void editor.edit(named(n)));

  it('of one kind is one step, previewed on the way, and what follows is another', async () => {
    for (const n of ['a', 'ab', 'abc']) press('width', n);
    expect(moves().at(-1)).toMatchObject({
      revision: 1,
      layerId: 'l1',
      commands: ['a', 'ab', 'abc'].map(named),
    });
    await settled();
    expect(workshop.edits).toHaveLength(0);
    press('place', 'moved');
    void editor.edit(named('named'));
    await settled();
    expect(workshop.names).toEqual(['first', 'abc', 'moved', 'named']);
  });

  it('is kept when no more of it come, and stepped back over as one', async () => {
    for (const n of ['a', 'ab']) press('width', n);
    await vi.advanceTimersByTimeAsync(burstMs - 1);
    expect(workshop.edits).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(1);
    expect(workshop.names).toEqual(['first', 'ab']);
    await editor.step('undo');
    expect(name()).toBe('first');
  });

  it('is kept when the page is left, and before a step back', async () => {
    press('width', 'a');
    await editor.step('undo');
    await settled();
    expect([workshop.names.at(-1), name()]).toEqual(['a', 'first']);
    press('width', 'b');
    editor.leave();
    await settled();
    expect(workshop.names.at(-1)).toBe('b');
  });

  it('goes on over what was kept meanwhile', async () => {
    void editor.edit(named('kept'));
    press('width', 'a');
    expect(moves().at(-1)?.commands).toEqual([named('kept'), named('a')]);
    await settled();
    press('width', 'ab');
    expect(moves().at(-1)).toMatchObject({ revision: 2, commands: [named('a'), named('ab')] });
  });
});

describe('a drag', () => {
  it('is only previewed, each move by itself, until it is let go', async () => {
    for (const n of ['x', 'y']) editor.drag([named(n)], 5);
    expect(moves().map((m) => m.commands)).toEqual([[named('x')], [named('y')]]);
    editor.painted({ name: 'y' } as PieceView['piece']);
    expect(editor.getHand()?.name).toBe('y');
    expect(name()).toBe('first');
    await editor.edit(named('y'));
    expect(workshop.names).toEqual(['first', 'y']);
    expect([editor.getHand(), name(), editor.dragging]).toEqual([null, 'y', false]);
  });

  it('that is given up leaves everything as it was', () => {
    editor.drag([named('x')], 5);
    editor.painted({ name: 'x' } as PieceView['piece']);
    editor.letGo();
    expect([editor.getHand(), name()]).toEqual([null, 'first']);
    expect(orders.at(-1)).toEqual({ halt: 'clear' });
    editor.painted({ name: 'late' } as PieceView['piece']);
    expect(editor.getHand()).toBeNull();
  });

  it('that was refused goes back to what is kept, the numbers too', async () => {
    editor.drag([named('')], 5);
    editor.previewed(
      { ...workshop.plan, hidden: 'as dragged' } as PlanView,
      { name: 'as dragged' } as PieceView['piece'],
    );
    expect(editor.get().plan?.hidden).toBe('as dragged');
    await editor.edit(named(''));
    expect([state(), name(), editor.get().plan?.hidden]).toEqual(['refused', 'first', null]);
  });

  it('is not disturbed by what is kept meanwhile', async () => {
    void editor.edit(named('kept'));
    editor.drag([named('x')], 5);
    editor.painted({ name: 'x' } as PieceView['piece']);
    await settled();
    expect([state(), editor.getHand()?.name]).toEqual(['kept', 'x']);
    expect(editor.get().view?.version).toBe(2);
  });
});

describe('steps', () => {
  it('follow what is on its way, however fast they are asked for', async () => {
    void editor.edit(named('b'));
    void editor.edit(named('c'));
    for (let i = 0; i < 2; i++) void editor.step('undo');
    await settled();
    expect(name()).toBe('first');
    void editor.step('redo');
    await settled();
    expect(name()).toBe('b');
  });

  it('are tried again while the workshop is gone', async () => {
    await editor.edit(named('b'));
    workshop.gone = true;
    void editor.step('undo');
    await settled();
    expect(state()).toBe('waiting');
    workshop.gone = false;
    await vi.advanceTimersByTimeAsync(retryAfterMs);
    expect(name()).toBe('first');
  });
});

describe('a change in another window', () => {
  beforeEach(async () => {
    workshop.theirs('theirs');
    void editor.edit(named('mine'));
    await settled();
  });

  it('is told, and looked at', () => {
    expect(state()).toBe('stale');
    expect(editor.get().newest?.piece.name).toBe('theirs');
    editor.look(true);
    expect(editor.get().looking).toBe(true);
    expect(editor.pending).toEqual([named('mine')]);
    editor.aside(workshop.plan, { name: 'mine' } as PieceView['piece']);
    expect(name()).toBe('mine');
  });

  it('is kept under mine', async () => {
    await editor.settle('mine');
    expect([state(), name()]).toEqual(['kept', 'mine']);
    expect(workshop.names).toEqual(['first', 'theirs', 'mine']);
  });

  it('or is taken', async () => {
    await editor.settle('newest');
    expect([state(), name(), editor.pending]).toEqual(['kept', 'theirs', []]);
    expect(workshop.names).toEqual(['first', 'theirs']);
  });

  it('holds back steps until it is settled', async () => {
    await editor.step('undo');
    expect([state(), workshop.at]).toEqual(['stale', 1]);
  });
});

describe('what is fetched meanwhile', () => {
  const shown = () => (editor.get().plan?.layers[0] as unknown as { of: string }).of;
  const told = () => ({ state: state(), name: name(), plan: shown() });

  it('lets the plan follow the time while nobody works', () => {
    workshop.names = ['as time goes by'];
    editor.offer(workshop.view);
    expect(told()).toEqual({ state: 'kept', name: 'first', plan: 'as time goes by' });
    editor.drag([named('x')], 1);
    workshop.names = ['later'];
    editor.offer(workshop.view);
    expect(shown()).toBe('as time goes by');
  });

  it('is taken where it is newer, and not where it is older', async () => {
    const old = workshop.view;
    workshop.theirs('theirs');
    editor.offer(workshop.view);
    expect(told()).toEqual({ state: 'kept', name: 'theirs', plan: 'theirs' });
    editor.offer(old);
    expect(name()).toBe('theirs');
  });

  it('does not settle what the person has to', async () => {
    workshop.theirs('theirs');
    void editor.edit(named('mine'));
    await settled();
    editor.offer(workshop.view);
    expect(state()).toBe('stale');
    expect(editor.get().newest?.piece.name).toBe('theirs');
  });
});
