import ArrowLeft from 'lucide-react/icons/arrow-left';
import ArrowRight from 'lucide-react/icons/arrow-right';
import { useId } from 'react';
import { PictureControl } from '~/studio/fields/picture-control';

interface Props {
  readonly pictures: readonly string[];
  readonly onChange: (pictures: string[]) => void;
}

/** Pictures in the order shoppers see them; the first is on the cards. */
export function PicturesEditor({ pictures, onChange }: Props) {
  const id = useId();
  const move = (from: number, to: number) => {
    const next = [...pictures];
    next.splice(to, 0, ...next.splice(from, 1));
    onChange(next);
  };
  return (
    <div className="flex flex-col gap-2">
      <span id={id} className="font-semibold">
        Pictures
      </span>
      <ul className="flex flex-wrap gap-2">
        {pictures.map((src, i) => (
          <li key={src} className="flex flex-col gap-1">
            <img
              src={src}
              alt={`Picture ${i + 1}`}
              className="size-24 rounded-stone border border-mortar object-cover"
            />
            <span className="flex justify-between">
              <button
                className="plain size-6"
                aria-label={`Move picture ${i + 1} forward`}
                disabled={i === 0}
                onClick={() => move(i, i - 1)}
              >
                <ArrowLeft size={16} />
              </button>
              <button
                className="plain size-6 text-gravel hover:text-brick"
                aria-label={`Remove picture ${i + 1}`}
                onClick={() => onChange(pictures.filter((_, j) => j !== i))}
              >
                ×
              </button>
              <button
                className="plain size-6"
                aria-label={`Move picture ${i + 1} back`}
                disabled={i === pictures.length - 1}
                onClick={() => move(i, i + 1)}
              >
                <ArrowRight size={16} />
              </button>
            </span>
          </li>
        ))}
      </ul>
      <PictureControl
        labelId={id}
        use="picture"
        value=""
        onChange={(src) => src && !pictures.includes(src) && onChange([...pictures, src])}
      />
    </div>
  );
}
