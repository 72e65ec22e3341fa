import { useQuery } from '@tanstack/react-query';
import { Fragment, useState } from 'react';
import type { MaterialKind, MaterialView, OwnMaterial, PropertyView, Refused } from '../api/client';
import { keepMaterial } from '../api/changes';
import { ownMaterialsQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { ColourField } from '../parts/ColourField';
import { NumberField } from '../parts/NumberField';
import { TextField } from '../parts/TextField';
import { useUnits } from '../units/units';
import { useKept } from './useKept';
import './Materials.scss';

const kinds: readonly (readonly [MaterialKind, string])[] = [
  ['resin', 'Resins'],
  ['colourant', 'Colourants'],
  ['stone', 'Stones'],
  ['barrier', 'Barriers'],
  ['base', 'Bases'],
  ['pen', 'Pens'],
  ['leaf', 'Leaf'],
  ['rubber', 'Mould rubber'],
];

/** What a person has entered of a material, as it is kept. */
const ownOf = (m: MaterialView): OwnMaterial => ({
  kind: m.kind,
  name: m.name,
  like: m.like,
  values: Object.fromEntries(
    m.properties.flatMap((p) => (p.origin === 'own' && p.value !== null ? [[p.id, p.value] as const] : [])),
  ),
  basis: m.ownBasis ? m.basis : null,
  note: m.note,
  putAway: m.putAway,
  colour: m.colour,
});

/** Every material with its typical values; those of the maker's data sheet go over them and count at once. */
export function Materials() {
  const { data: materials } = useQuery(ownMaterialsQuery);
  const [kind, setKind] = useState<MaterialKind>('resin');
  const kept = useKept(ownMaterialsQuery, keepMaterial);
  const all = materials?.filter((m) => m.kind === kind) ?? [];
  const chosen = all.find((m) => m.id === kept.chosen) ?? all[0];
  const save = (to: Partial<OwnMaterial>) => {
    if (chosen) kept.save(chosen.id, chosen.version, { ...ownOf(chosen), ...to });
  };

  return (
    <section aria-label="Materials" className="materials">
      <div className="page-head">
        <h2>Materials</h2>
        <p className="hint">
          What the program reckons with. All is typical, not your maker’s, until you enter what the data sheet
          says.
        </p>
      </div>
      <div className="kinds" role="group" aria-label="Kind of material">
        {kinds.map(([id, name]) => (
          <button
            key={id}
            type="button"
            aria-pressed={id === kind}
            onClick={() => {
              setKind(id);
              kept.take('');
            }}
          >
            {name}
          </button>
        ))}
      </div>
      <ul className="labels" aria-label={kinds.find(([id]) => id === kind)?.[1]}>
        {all.map((m) => (
          <li key={m.id}>
            <button
              type="button"
              className="hanging"
              aria-pressed={m.id === chosen?.id}
              onClick={() => kept.take(m.id)}
            >
              <b>{m.name}</b>
              <small>{stateOf(m)}</small>
            </button>
          </li>
        ))}
        {(kind === 'resin' || kind === 'colourant') && chosen && (
          <li>
            <button
              type="button"
              className="hanging another"
              onClick={() =>
                kept.add({
                  ...ownOf(chosen),
                  name: `My ${chosen.name.toLowerCase()}`.slice(0, 120),
                  putAway: false,
                  colour:
                    kind === 'colourant' && chosen.like !== 'lacing' ? (chosen.colour ?? '#7a6a8f') : null,
                })
              }
            >
              <b>+ A {kind} of your own</b>
              <small>like {chosen.name.toLowerCase()}</small>
            </button>
          </li>
        )}
      </ul>
      {chosen && (
        <DataSheet key={`${chosen.kind}/${chosen.id}`} material={chosen} refused={kept.refused} save={save} />
      )}
    </section>
  );
}

function stateOf(m: MaterialView): string {
  const own = m.properties.filter((p) => p.origin === 'own').length;
  if (m.putAway) return 'put away';
  if (m.properties.length === 0) return 'nothing to enter';
  return own === 0
    ? 'all typical'
    : own === m.properties.length
      ? 'all yours'
      : `${own} of ${m.properties.length} yours`;
}

interface DataSheetProps {
  material: MaterialView;
  refused: Refused | null;
  save: (to: Partial<OwnMaterial>) => void;
}

/** All that is known of one material. */
function DataSheet({ material, refused, save }: DataSheetProps) {
  const say = (field: string) => refused?.errors[field]?.[0];
  const own = ownOf(material);
  const change = (p: PropertyView, value: number | null) => {
    const others = Object.entries(own.values).filter(([id]) => id !== p.id);
    save({ values: Object.fromEntries(value === null ? others : [...others, [p.id, value]]) });
  };
  const groups = [...new Set(material.properties.map((p) => p.group))];
  return (
    <div className="data-sheet" role="group" aria-label={material.name}>
      <div className="sheet-head">
        {material.own ? (
          <TextField
            label="Name of the material"
            quiet
            value={material.name}
            error={say('name')}
            onChange={(name) => save({ name })}
          />
        ) : (
          <strong>{material.name}</strong>
        )}
        {material.own && material.colour && (
          <ColourField
            label={`Colour of ${material.name}`}
            value={material.colour}
            onChange={(colour) => save({ colour })}
          />
        )}
        {material.basis && (
          <span>
            {material.kind === 'colourant' ? 'dosed, and limited, by ' : 'mixed by '}
            <Choice
              label={material.kind === 'colourant' ? 'Its loads are by' : 'Parts are measured by'}
              quiet
              value={material.basis}
              choices={[
                ['volume', 'volume'],
                ['weight', 'weight'],
              ]}
              onChange={(basis) => save({ basis })}
            />
            {!material.ownBasis && <em className="typical"> typical, not the maker’s</em>}
          </span>
        )}
        {material.own && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => save({ putAway: !material.putAway })}
          >
            {material.putAway ? 'Take it out again' : 'Put it away'}
          </button>
        )}
      </div>
      {material.says && <p>{material.says}</p>}
      <div className="sheet-groups">
        {groups.map((group) => (
          <div key={group}>
            {group && <h3>{group}</h3>}
            <Times properties={material.properties.filter((p) => p.group === group)} />
            <ul>
              {material.properties
                .filter((p) => p.group === group && !material.properties.some((o) => o.until === p.id))
                .map((p) => (
                  <Property
                    key={p.id}
                    from={p}
                    to={material.properties.find((o) => o.id === p.until)}
                    say={(id) => say(`values.${id}`)}
                    onChange={change}
                  />
                ))}
            </ul>
          </div>
        ))}
      </div>
      <TextField
        label="Where your values are from"
        value={material.note}
        error={say('note')}
        onChange={(note) => save({ note })}
      />
      {refused && Object.keys(refused.errors).length === 0 && <p className="say-wrong">{refused.message}</p>}
    </div>
  );
}

interface PropertyProps {
  from: PropertyView;
  /** What ends it, where it is a span. */
  to?: PropertyView;
  say: (id: string) => string | undefined;
  onChange: (property: PropertyView, value: number | null) => void;
}

/** A property, or a span of two, with whose it is. */
function Property({ from, to, say, onChange }: PropertyProps) {
  const both = to ? [from, to] : [from];
  return (
    <li>
      <span>{from.span ?? from.label}</span>
      <span className="values">
        {both.map((p, i) => (
          <Fragment key={p.id}>
            {i > 0 && ' to '}
            <NumberField
              label={p.label}
              quiet
              unit={p.unit}
              value={p.value === null ? null : rounded(p.value)}
              empty={p.typical === null ? 'not known' : undefined}
              error={say(p.id)}
              onChange={(v) => onChange(p, v)}
            />
          </Fragment>
        ))}
      </span>
      <span className="whose">
        {both.some((p) => p.origin === 'own') ? (
          both
            .filter((p) => p.origin === 'own')
            .map((p) => <Again key={p.id} property={p} onTake={() => onChange(p, null)} />)
        ) : (
          <em className="typical">{both.every((p) => p.value === null) ? '' : 'typical, not the maker’s'}</em>
        )}
      </span>
    </li>
  );
}

/** Takes the typical value again. */
function Again({ property: p, onTake }: { property: PropertyView; onTake: () => void }) {
  const units = useUnits();
  return (
    <button type="button" className="again" onClick={onTake}>
      {p.typical === null
        ? 'Not known any more'
        : `Back to typical, ${units.field(rounded(p.typical), p.unit)} ${units.unit(p.unit, p.typical)}`}
      <span className="visually-hidden">: {p.label}</span>
    </button>
  );
}

const rounded = (value: number) => Number(value.toPrecision(6));

const stripWide = 560;
const lane = 20;

/** Hours on one strip, an hour as wide as a day later on, so that half an hour and a week are both seen. */
function Times({ properties }: { properties: PropertyView[] }) {
  const starts = properties.filter((p) => p.unit === 'h' && !properties.some((o) => o.until === p.id));
  if (starts.length < 3) return null;
  const spans = starts
    .map((p) => ({ p, from: p.value ?? 0, to: properties.find((o) => o.id === p.until)?.value ?? undefined }))
    .sort((a, b) => a.from - b.from);
  const [first, last] = [0.25, Math.max(100, ...spans.map((s) => s.to ?? s.from)) * 2.4];
  const x = (hours: number) =>
    (stripWide * Math.log(Math.max(hours, first) / first)) / Math.log(last / first);
  return (
    <svg className="hours-strip" viewBox={`0 0 ${stripWide} ${spans.length * lane + 22}`} aria-hidden>
      {[0.5, 1, 2, 4, 12, 24, 72, 168].map((h) => (
        <g key={h}>
          <line x1={x(h)} x2={x(h)} y1={0} y2={spans.length * lane} />
          <text x={x(h)} y={spans.length * lane + 15} textAnchor="middle">
            {h < 24 ? `${h} h` : `${h / 24} d`}
          </text>
        </g>
      ))}
      {spans.map(({ p, from, to }, i) => {
        const [left, right] = [x(from), x(to ?? from)];
        const end = right > stripWide * 0.62;
        return (
          <g key={p.id} transform={`translate(0 ${i * lane + lane / 2})`}>
            {to === undefined ? (
              <circle cx={left} r={5} />
            ) : (
              <rect x={left} y={-5} width={Math.max(4, right - left)} height={10} rx={3} />
            )}
            <text x={end ? left - 8 : right + 8} y={4} textAnchor={end ? 'end' : 'start'}>
              {(p.span ?? p.label).replace(/ after$/, '')}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
