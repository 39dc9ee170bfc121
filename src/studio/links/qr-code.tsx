import { useEffect, useState } from 'react';

/** A link as a code for cameras, to be printed: as a drawing that stays sharp, and as a picture. */
export function QrCode({ text, name }: { text: string; name: string }) {
  const [made, setMade] = useState<{ readonly svg: string; readonly png: string } | null>(null);
  useEffect(() => {
    let isStale = false;
    void import('qrcode').then(async ({ default: qrcode }) => {
      const [svg, png] = await Promise.all([
        qrcode.toString(text, { type: 'svg', errorCorrectionLevel: 'M', margin: 4 }),
        qrcode.toDataURL(text, { errorCorrectionLevel: 'M', margin: 4, width: 1024 }),
      ]);
      if (!isStale) setMade({ svg, png });
    });
    return () => {
      isStale = true;
    };
  }, [text]);
  if (!made) return null;
  const svg = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(made.svg)}`;
  return (
    <figure className="flex flex-wrap items-end gap-4">
      <img src={svg} alt={`A code that leads to ${text}`} width="220" height="220" className="border border-mortar" />
      <figcaption className="flex flex-col items-start gap-2">
        <span className="help">For print: at least 2 cm wide, dark on light.</span>
        <a className="btn" download={`${name}.svg`} href={svg}>
          Download SVG
        </a>
        <a className="btn" download={`${name}.png`} href={made.png}>
          Download PNG
        </a>
      </figcaption>
    </figure>
  );
}
