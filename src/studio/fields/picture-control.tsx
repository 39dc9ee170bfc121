import { useState } from 'react';
import { ask } from '~/studio/data/api';

interface Props {
  readonly value: string;
  readonly labelId: string;
  /** How large it is kept: as an icon, or as a page shows it. */
  readonly use?: 'icon' | 'picture';
  readonly onChange: (value: string) => void;
}

/** Uploads a picture, shows it, and removes it again. */
export function PictureControl({ value, labelId, use = 'icon', onChange }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  async function send(file: File): Promise<void> {
    setBusy(true);
    setProblem(null);
    try {
      onChange((await ask('POST /api/studio/icons', { form: { file, use } })).src);
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
        {busy ? 'Uploading …' : value ? 'Replace' : 'Upload a picture'}
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
          Remove
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
