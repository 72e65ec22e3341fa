import { useEffect, useRef } from 'react';
import { useNewest } from './typed';
import './Fields.scss';

interface ColourProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** A colour well. The browser reports every shade on the way; only the one settled on is taken. */
export function ColourField({ label, value, onChange }: ColourProps) {
  const input = useRef<HTMLInputElement>(null);
  const give = useNewest(onChange);
  useEffect(() => {
    const well = input.current;
    const settle = () => well && give(well.value);
    well?.addEventListener('change', settle);
    return () => well?.removeEventListener('change', settle);
  }, [give]);
  useEffect(() => {
    if (input.current) input.current.value = value;
  }, [value]);
  return (
    <input
      ref={input}
      type="color"
      className="colour-well"
      aria-label={label}
      title={label}
      defaultValue={value}
    />
  );
}
