import { useId, useState } from 'react';
import type { Outline } from '../../api/client';
import { Refused, api, take } from '../../api/client';
import { NumberField } from '../../parts/Fields';
import './FromDrawing.scss';

type Drawn = Extract<Outline, { shape: 'drawn' }>;

const usualDpi = 96;
const mostBytes = 5_000_000;

/** Takes the outline of an SVG drawing; what is wrong with it is said and changes nothing. */
export function FromDrawing({ onRead }: { onRead: (outline: Drawn) => void }) {
  const id = useId();
  const [wrong, setWrong] = useState<string | null>(null);
  const [dpi, setDpi] = useState(usualDpi);
  const [file, setFile] = useState<File | null>(null);

  const read = async (from: File, dotsPerInch: number) => {
    if (from.size > mostBytes)
      return setWrong(
        `The drawing has ${(from.size / 1e6).toFixed(1)} MB; up to ${mostBytes / 1e6} MB are read.`,
      );
    try {
      const svg = await from.text();
      const got = await take(api.POST('/api/outlines/svg', { body: { svg, dpi: dotsPerInch } }));
      setWrong(null);
      if (got.outline.shape === 'drawn') onRead(got.outline);
    } catch (e) {
      if (!(e instanceof Refused)) return setWrong('The file cannot be read.');
      setWrong(e.errors['svg']?.[0] ?? e.errors['dpi']?.[0] ?? e.message);
    }
  };

  return (
    <span className="from-drawing">
      <label htmlFor={id} className="btn btn-outline-primary">
        {file ? 'another SVG drawing' : 'from an SVG drawing'}
      </label>
      <input
        id={id}
        type="file"
        accept=".svg,image/svg+xml"
        className="visually-hidden"
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = '';
          if (!chosen) return;
          setFile(chosen);
          void read(chosen, dpi);
        }}
      />
      {file && (
        <>
          {' sizes in pixels at '}
          <NumberField
            label="Pixels to an inch"
            quiet
            unit="to an inch"
            width={52}
            value={dpi}
            onChange={(v) => {
              if (v === null) return;
              setDpi(v);
              void read(file, v);
            }}
          />
        </>
      )}
      {wrong && (
        <span className="field-error" role="alert">
          {wrong}
        </span>
      )}
    </span>
  );
}
