import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { NavLink, Navigate, useNavigate, useParams } from 'react-router';
import { Refused } from '../api/client';
import { sumQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { NumberField } from '../parts/NumberField';
import { TextField } from '../parts/TextField';
import { HowNumber } from '../parts/HowNumber';
import { useFields } from '../parts/fields';
import { useUnits } from '../units/units';
import type { Entry } from './slate';
import { again, changed, keep, onTop, slateOf, wiped } from './slate';
import type { Blank, Part, Sum } from './sums';
import { sums } from './sums';
import { Way } from './Way';
import type { Values } from './working';
import { chosenOf, requestOf, resultsOf, startOf, usualOf } from './working';
import './ReckonerPage.scss';

const kept = (sum: Sum) => `sum/${sum.path}`;

/** The values a sum was last worked with, kept in this browser; what no longer fits is left behind. */
function lastOf(sum: Sum): Values {
  const start = startOf(sum.parts);
  try {
    const last = JSON.parse(localStorage.getItem(kept(sum)) ?? '{}') as Values;
    return Object.fromEntries(
      Object.entries(start).map(([field, value]) => [
        field,
        field in last && Array.isArray(last[field]) === Array.isArray(value) ? last[field]! : value,
      ]),
    );
  } catch {
    return start;
  }
}

const today = () => new Date().toDateString();
const known = (path: string) => sums.some((s) => s.path === path);

/** Quick sums at the bench: each is its formula as a sentence with blanks, on a slate, with its result beside it. */
export function ReckonerPage() {
  const { path } = useParams();
  const navigate = useNavigate();
  const [slate, setSlate] = useState(() => slateOf(today(), known));
  const sum = sums.find((s) => s.path === path);
  // What is gone to comes on top; once it is there it may be wiped off.
  const [gone, setGone] = useState<string>();
  if (sum && gone !== sum.path) {
    setGone(sum.path);
    setSlate(onTop(slate, sum.path, () => fresh(sum)));
  }
  useEffect(() => {
    keep(slate);
    if (sum) localStorage.setItem('sum', sum.path);
  }, [slate, sum]);
  if (!sum) {
    const last = slate.entries[0]?.path ?? localStorage.getItem('sum') ?? '';
    return <Navigate to={`/reckoner/${known(last) ? last : sums[0]!.path}`} replace />;
  }
  const wipe = (id: string) => {
    const left = wiped(slate, id);
    const blank = left.entries.length === 0 ? again(left, fresh(sum)) : left;
    setSlate(blank);
    void navigate(`/reckoner/${blank.entries[0]!.path}`, { replace: true });
  };
  return (
    <main id="main" className="reckoner">
      <nav aria-label="Sums">
        {sums.map((s) => (
          <NavLink key={s.path} to={`/reckoner/${s.path}`} replace>
            {s.question}
          </NavLink>
        ))}
      </nav>
      <ol className="slate" aria-label="What was reckoned today, the newest first">
        {slate.entries.map((entry, i) => (
          <Working
            key={entry.id}
            sum={sums.find((s) => s.path === entry.path)!}
            values={entry.values}
            top={i === 0}
            onChange={(values) => setSlate((now) => changed(now, entry.id, values))}
            onAgain={() => {
              setSlate((now) => again(now, { ...entry, id: crypto.randomUUID() }));
              void navigate(`/reckoner/${entry.path}`, { replace: true });
            }}
            onWipe={() => wipe(entry.id)}
          />
        ))}
      </ol>
    </main>
  );
}

/** A sum with what it was last worked with. */
const fresh = (sum: Sum): Entry => ({ id: crypto.randomUUID(), path: sum.path, values: lastOf(sum) });

interface WorkingProps {
  sum: Sum;
  values: Values;
  /** Whether it is the one that is worked on. */
  top: boolean;
  onChange: (values: Values) => void;
  onAgain: () => void;
  onWipe: () => void;
}

/** A sentence of the slate, and its result. */
function Working({ sum, values, top, onChange, onAgain, onWipe }: WorkingProps) {
  const request = requestOf(sum.parts, values);
  const { data, error } = useQuery(sumQuery(sum.path, request));
  const [answer, setAnswer] = useState<{ of: Values; got: Record<string, unknown> } | null>(null);
  // The last good answer stays while something is wrong.
  if (data && !error && answer?.got !== data) setAnswer({ of: values, got: data });
  const change = (next: Values) => {
    onChange(next);
    localStorage.setItem(kept(sum), JSON.stringify(next));
  };
  const errors = error instanceof Refused ? error.errors : {};
  const Head = top ? 'h1' : 'h2';
  const does = [
    ['Once more', onAgain],
    ['Clear', () => change(startOf(sum.parts))],
    ['Wipe off', onWipe],
  ] as const;
  return (
    <li className="reckoner-sum" aria-label={sum.question} data-top={top || undefined}>
      <div className="slate-head">
        <Head>{sum.question}</Head>
        <span className="slate-does">
          {does.map(([text, act]) => (
            <button
              key={text}
              type="button"
              className="btn btn-outline-primary"
              aria-label={`${text}: ${sum.question}`}
              onClick={act}
            >
              {text}
            </button>
          ))}
        </span>
      </div>
      <div className="sentence">
        <p>
          <Parts parts={sum.parts} values={values} at="" errors={errors} onChange={change} />
        </p>
        {error && !Object.keys(errors).length && <p className="say-wrong">{error.message}</p>}
        {answer && sum.line && (
          <Way path={sum.line} request={requestOf(sum.parts, answer.of)} legs={turnsOf(answer.got)} />
        )}
      </div>
      {answer && <Answer sum={sum} values={answer.of} answer={answer.got} old={!!error} />}
    </li>
  );
}

/** When it goes on from each vessel but the last, minutes. */
const turnsOf = (answer: Record<string, unknown>) =>
  ((answer['legs'] ?? []) as { endMinutes: number }[]).slice(0, -1).map((leg) => leg.endMinutes);

interface PartsProps {
  parts: Part[];
  values: Values;
  /** Place of these parts in the request. */
  at: string;
  errors: Record<string, string[]>;
  onChange: (values: Values) => void;
}

function Parts({ parts, values, at, errors, onChange }: PartsProps) {
  const set = (field: string, value: Values[string]) => onChange({ ...values, [field]: value });
  const say = (field: string) => errors[at + field]?.[0];
  const { usual } = useFields();
  const units = useUnits();
  const usualText = (blank: Blank) => {
    const value = usualOf(blank, usual);
    return value === null ? undefined : units.field(value, blank.unit);
  };
  const number = (blank: Blank, place = blank.blank) => (
    <NumberField
      label={blank.label}
      quiet
      unit={blank.unit}
      empty={blank.start === undefined ? (blank.usual ?? usualText(blank) ?? '') : undefined}
      live
      value={values[blank.blank] as number | null}
      error={say(place)}
      onChange={(v) => set(blank.blank, v)}
    />
  );
  return parts.map((part, i) => {
    if (typeof part === 'string') return <span key={i}>{/^[,;:.]/.test(part) ? part : ` ${part}`} </span>;
    if ('blank' in part) return <span key={i}>{number(part)}</span>;
    if ('words' in part)
      return (
        <span key={i}>
          <TextField
            label={part.label}
            quiet
            live
            value={values[part.words] as string}
            error={say(part.words)}
            onChange={(v) => set(part.words, v)}
          />{' '}
        </span>
      );
    if ('pick' in part)
      return (
        <span key={i}>
          {' '}
          <Choice
            label={part.label}
            quiet
            value={values[part.pick] as string}
            choices={part.choices}
            onChange={(v) => set(part.pick, v)}
          />
        </span>
      );
    if ('either' in part) {
      const [first, second] = part.either;
      const chosen = chosenOf(first, second);
      return (
        <span key={i}>
          {number(values[chosen] === second.blank ? second : first)}{' '}
          <Choice
            label={`${first.label} or ${second.label.toLowerCase()}`}
            quiet
            value={values[chosen] as string}
            choices={[
              [first.blank, plain(first)],
              [second.blank, plain(second)],
            ]}
            onChange={(v) => set(chosen, v)}
          />
        </span>
      );
    }
    const entries = values[part.many] as Values[];
    return (
      <span key={i} className="many">
        {entries.map((entry, n) => (
          <span key={n} className="one">
            <Parts
              parts={part.parts.map((p) => numbered(p, n))}
              values={entry}
              at={`${at}${part.many}[${n}]${part.bare ? '' : '.'}`}
              errors={errors}
              onChange={(to) => set(part.many, entries.with(n, to))}
            />
            {entries.length > part.least && (
              <button
                type="button"
                className="icon"
                aria-label={`Take out ${part.one} ${n + 1}`}
                onClick={() => set(part.many, entries.toSpliced(n, 1))}
              >
                <i className="bi minus" />
              </button>
            )}
          </span>
        ))}
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => set(part.many, [...entries, entries.at(-1) ?? startOf(part.parts)])}
        >
          + {entries.length === 0 ? 'a' : 'another'} {part.one}
        </button>
      </span>
    );
  });
}

/** A label without its number. */
const plain = (blank: Blank) => blank.label.toLowerCase().replace(/ \d+$/, '');

/** Labels of what there are several of carry their number. */
function numbered(part: Part, n: number): Part {
  if (typeof part === 'string' || 'many' in part) return part;
  if ('either' in part) {
    const [first, second] = part.either;
    return {
      either: [
        { ...first, label: `${first.label} ${n + 1}` },
        { ...second, label: `${second.label} ${n + 1}` },
      ],
    };
  }
  return { ...part, label: `${part.label} ${n + 1}` };
}

function Answer({
  sum,
  values,
  answer,
  old,
}: {
  sum: Sum;
  values: Values;
  answer: Record<string, unknown>;
  old: boolean;
}) {
  const units = useUnits();
  const { usual } = useFields();
  const [copied, setCopied] = useState<string | null>(null);
  const told = sum.outs.flatMap((o) => ('told' in o ? (o.told(answer) ?? []) : []));
  return (
    <div className="answer" data-old={old || undefined}>
      {old && <p className="hint">The last sum that could be worked out:</p>}
      <ul>
        {resultsOf(sum, values, answer, usual).map(({ label, of, decimals }) => {
          const text = units.show(of.value, of.unit, decimals);
          return (
            <li key={label + of.unit}>
              <span className="what">{label}</span>
              <HowNumber of={of} label={label} decimals={decimals} className="hero" />
              <button
                type="button"
                className="btn btn-outline-primary"
                aria-label={`Copy ${label}, ${text}`}
                onClick={() =>
                  void navigator.clipboard
                    .writeText(text)
                    .then(() => setCopied(label + of.unit))
                    .catch(() => setCopied(null))
                }
              >
                {copied === label + of.unit ? 'copied' : 'copy'}
              </button>
            </li>
          );
        })}
      </ul>
      {told.map((sentence) => (
        <p key={sentence} className="finding mind">
          {sentence}
        </p>
      ))}
    </div>
  );
}
