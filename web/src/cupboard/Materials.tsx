import { useMutation, useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import type { MaterialKind, MaterialView, OwnMaterial, PropertyView } from '../api/client';
import { Refused } from '../api/client';
import { keepMaterial, takeOutMaterial } from '../api/changes';
import { ownMaterialsQuery } from '../api/queries';
import { Choice } from '../parts/Choice';
import { ColourField } from '../parts/ColourField';
import { NumberField } from '../parts/NumberField';
import { TextField } from '../parts/TextField';
import { useUnits } from '../units/units';
import { Ledge, Standing } from './Ledge';
import { Thing } from './Thing';
import { useKept } from './useKept';
import './Materials.scss';

/** The shelves of the materials: which kinds stand on each, and what is said of it. */
const shelves: readonly (readonly [label: string, kinds: readonly MaterialKind[], hint: string])[] = [
  [
    'Resins and rubber',
    ['resin', 'rubber'],
    'Typical values, not your maker’s, until you enter the data sheet.',
  ],
  ['Colourants', ['colourant'], 'By class, and your own by name.'],
  ['Stones', ['stone'], 'As they look dry; some look different in resin.'],
  [
    'Barriers, pens and leaf',
    ['barrier', 'pen', 'leaf'],
    'What holds resin back, and what is drawn and laid on it.',
  ],
  ['Tape', ['tape'], 'The widths at hand; what is left is yours to say.'],
  ['Bases', ['base'], 'What pieces are made on.'],
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
  leftPercent: m.leftPercent,
});

/** Every material with its typical values; those of the maker's data sheet go over them and count at once. */
export function Materials() {
  return shelves.map((of) => <MaterialShelf key={of[0]} of={of} />);
}

function MaterialShelf({ of: [label, kinds, hint] }: { of: (typeof shelves)[number] }) {
  const { data: materials } = useQuery(ownMaterialsQuery);
  const kept = useKept(ownMaterialsQuery, keepMaterial, label);
  const all = materials?.filter((m) => kinds.includes(m.kind)) ?? [];
  const chosen = all.find((m) => m.id === kept.chosen);
  const kind = kinds[0]!;
  const model = chosen?.kind === kind ? chosen : all.find((m) => m.kind === kind);
  return (
    <Ledge
      label={label}
      hint={hint}
      beside={
        chosen && (
          <DataSheet
            key={`${chosen.kind}/${chosen.id}`}
            material={chosen}
            refused={kept.refused}
            save={(to) => kept.save(chosen.id, chosen.version, { ...ownOf(chosen), ...to })}
          />
        )
      }
    >
      {all.map((m) => (
        <Standing
          key={`${m.kind}/${m.id}`}
          chosen={m === chosen}
          onTake={() => kept.take(m.id)}
          name={m.name}
          says={[stateOf(m), leftOf(m)].filter(Boolean).join(', ')}
          className={m.putAway ? 'away' : ''}
        >
          <Thing of={m} />
        </Standing>
      ))}
      {(kind === 'resin' || kind === 'colourant') && model && (
        <Standing
          chosen={false}
          onTake={() =>
            kept.add({
              ...ownOf(model),
              name: `My ${model.name.toLowerCase()}`.slice(0, 120),
              putAway: false,
              leftPercent: null,
              colour: kind === 'colourant' && model.like !== 'lacing' ? (model.colour ?? '#7a6a8f') : null,
            })
          }
          name={`+ A ${kind} of your own`}
          says={`like ${model.name.toLowerCase()}`}
          className="another"
        />
      )}
    </Ledge>
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

const leftOf = ({ leftPercent }: MaterialView) =>
  leftPercent === null ? '' : leftPercent === 0 ? 'empty' : `${leftPercent} % full`;

interface DataSheetProps {
  material: MaterialView;
  refused: Refused | null;
  save: (to: Partial<OwnMaterial>) => void;
}

/** All that is known of one material. */
function DataSheet({ material, refused, save }: DataSheetProps) {
  const say = (field: string) => refused?.errors[field]?.[0];
  const own = ownOf(material);
  const taking = useMutation(takeOutMaterial);
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
            {say('basis') && <span className="field-error">{say('basis')}</span>}
          </span>
        )}
        {material.inVessel && (
          <span>
            {material.kind === 'resin' ? 'its bottles about ' : 'about '}
            <NumberField
              label={`How full ${material.name} is`}
              quiet
              unit="%"
              empty="?"
              value={material.leftPercent}
              error={say('leftPercent')}
              onChange={(leftPercent) => save({ leftPercent })}
            />
            {' full'}
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
        {material.own && (
          <button type="button" className="btn btn-outline-primary" onClick={() => taking.mutate(material)}>
            Take it off the list
          </button>
        )}
        {taking.error && (
          <p className="field-error" role="alert">
            {taking.error instanceof Refused
              ? (taking.error.errors['id']?.[0] ?? taking.error.message)
              : 'It was not taken out.'}
          </p>
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
