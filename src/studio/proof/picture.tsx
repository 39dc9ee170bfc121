import type { DrawnBox } from '~/core/proof';
import type { Stone } from './sheet';

interface Props {
  readonly stone: Stone;
  /** In CSS px. */
  readonly height: number;
  /** Circled in it. */
  readonly mark?: DrawnBox | null;
}

/** Room around what is circled, in px of the picture. */
const AROUND = 10;

/** What was drawn in a situation, small: a copy that runs nothing and takes no press. */
export function Picture({ stone, height, mark }: Props) {
  const scale = height / stone.height;
  const { width } = stone.situation;
  return (
    <span className="relative block overflow-hidden bg-white" style={{ width: width * scale, height }}>
      <iframe
        inert
        aria-hidden
        tabIndex={-1}
        loading="lazy"
        title={stone.situation.label}
        sandbox="allow-same-origin"
        srcDoc={stone.picture}
        className="pointer-events-none border-0"
        style={{ width, height: stone.height, transform: `scale(${scale})`, transformOrigin: '0 0' }}
      />
      {mark && (
        <span
          className="pointer-events-none absolute rounded-[50%] border-[2.5px] border-brick"
          style={{
            left: (mark.x - AROUND * 2) * scale,
            top: (mark.y - AROUND) * scale,
            width: (mark.width + AROUND * 4) * scale,
            height: (mark.height + AROUND * 2) * scale,
          }}
        />
      )}
    </span>
  );
}
