import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import type { Outline } from '../../api/client';
import { Refused } from '../../api/client';
import { readDrawing } from '../../api/changes';
import { NumberField } from '../../parts/NumberField';
import './FromDrawing.scss';

type Drawn = Extract<Outline, { shape: 'drawn' }>;

const usualDpi = 96;
const mostBytes = 5_000_000;

/** Takes the outline of an SVG drawing; what is wrong with it is said and changes nothing. */
export function FromDrawing({ onRead }: { onRead: (outline: Drawn) => void }) {
  const id = useId();
  const [wrong, setWrong] = useState<string | null>(null);
  const reading = useMutation(readDrawing);
  const [dpi, setDpi] = useState(usualDpi);
  const [file, setFile] = useState<File | null>(null);

  const read = (from: File, dotsPerInch: number) => {
    if (from.size > mostBytes)
      return setWrong(
        `The drawing has ${(from.size / 1e6).toFixed(1)} MB; up to ${mostBytes / 1e6} MB are read.`,
      );
    reading.mutate(
      { file: from, dpi: dotsPerInch },
      {
        onSuccess: ({ outline }) => {
          setWrong(null);
          if (outline.shape === 'drawn') onRead(outline);
        },
        onError: (e) =>
          setWrong(
            e instanceof Refused
              ? (e.errors['svg']?.[0] ?? e.errors['dpi']?.[0] ?? e.message)
              : 'The file cannot be read.',
          ),
      },
    );
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
          read(chosen, dpi);
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
              read(file, v);
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
