import { useState } from 'react';
import { ask } from './api';

interface Props {
  readonly value: string;
  readonly labelId: string;
  readonly onChange: (value: string) => void;
}

/** Brings a picture in, shows it, and takes it out again. */
export function PictureControl({ value, labelId, onChange }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  async function send(file: File): Promise<void> {
    const body = new FormData();
    body.set('file', file);
    setBusy(true);
    setProblem(null);
    try {
      onChange((await ask<{ src: string }>('/api/studio/icons', { method: 'POST', body })).src);
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }

  return (
    <div className="flex flex-wrap items-center gap-2">
      {value && (
        <img src={value} alt="" className="size-9 rounded-stone border border-mortar bg-white object-contain p-1" />
      )}
      <label className="btn relative">
        {busy ? 'Bringing it in …' : value ? 'Another' : 'Bring one in'}
        <input
          type="file"
          accept="image/png,image/jpeg,image/webp,image/svg+xml"
          aria-labelledby={labelId}
          className="absolute inset-0 w-full cursor-pointer opacity-0"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) void send(file);
            event.target.value = '';
          }}
        />
      </label>
      {value && (
        <button className="btn" onClick={() => onChange('')}>
          Take it out
        </button>
      )}
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
    </div>
  );
}
