/** Flat drawings of kites and gear, so that every variant looks like itself. 600 × 600, plain SVG. */

export const SAILS = {
  Harbour: ['#27497F', '#D9553F', '#F1EDE4'],
  Meadow: ['#5B7F4A', '#E9A23B', '#F1EDE4'],
  Dusk: ['#7A4A6D', '#D9553F', '#E9A23B'],
  Slate: ['#3A4046', '#8FC1D4', '#F1EDE4'],
  Ember: ['#A8432B', '#E9A23B', '#3A4046'],
  Lagoon: ['#2E8C8C', '#27497F', '#F1EDE4'],
  Poppy: ['#D9553F', '#F1EDE4', '#3A4046'],
} as const;
export type Sail = keyof typeof SAILS;

export type Shape =
  | 'diamond'
  | 'delta'
  | 'stunt'
  | 'foil'
  | 'box'
  | 'sled'
  | 'six'
  | 'glider'
  | 'bird'
  | 'spool'
  | 'winder'
  | 'rods'
  | 'patch'
  | 'glove'
  | 'meter'
  | 'stake'
  | 'bag'
  | 'plan'
  | 'workshop'
  | 'tail'
  | 'connector';

type Colours = readonly [string, string, string];
const SPAR = '#2B3238';

const poly = (points: string, fill: string) => `<polygon points="${points}" fill="${fill}"/>`;
const line = (d: string, width = 5, stroke = SPAR) =>
  `<path d="${d}" fill="none" stroke="${stroke}" stroke-width="${width}" stroke-linecap="round"/>`;
const rect = ([x, y, w, h]: readonly [number, number, number, number], fill: string, r = 0) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="${r}" fill="${fill}"/>`;
const circle = (x: number, y: number, r: number, fill: string) =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="${fill}"/>`;

const DRAW: Readonly<Record<Shape, (c: Colours) => string>> = {
  diamond: ([a, b, c]) =>
    poly('300,80 300,250 150,250', a) +
    poly('300,80 450,250 300,250', b) +
    poly('150,250 300,250 300,480', c) +
    poly('300,250 450,250 300,480', a) +
    line('M300 80V480M150 250H450') +
    line('M300 480q30 30 0 60t0 40', 4),
  delta: ([a, b, c]) =>
    poly('300,110 90,400 300,340', a) +
    poly('300,110 510,400 300,340', b) +
    poly('300,200 230,400 300,470 370,400', c) +
    line('M300 110 90 400M300 110 510 400M300 110V470M180 300H420'),
  stunt: ([a, b, c]) =>
    poly('300,150 60,380 230,330', a) +
    poly('300,150 540,380 370,330', a) +
    poly('300,150 230,330 300,390', b) +
    poly('300,150 370,330 300,390', b) +
    poly('60,380 230,330 300,390 200,360', c) +
    poly('540,380 370,330 300,390 400,360', c) +
    line('M300 150 60 380M300 150 540 380M300 150V390M170 290H430'),
  foil: ([a, b, c]) =>
    [0, 1, 2, 3, 4, 5, 6]
      .map(
        (i) =>
          `<path d="M${90 + i * 60} ${210 + Math.abs(i - 3) * 16}q30 -30 60 0v150q-30 30 -60 0z" fill="${[a, b, a, c, a, b, a][i]}"/>`,
      )
      .join('') + line('M90 360 300 540M510 360 300 540M210 390 300 540M390 390 300 540', 2),
  box: ([a, b, c]) =>
    poly('180,120 300,90 300,200 180,230', a) +
    poly('300,90 420,120 420,230 300,200', b) +
    poly('180,340 300,310 300,420 180,450', c) +
    poly('300,310 420,340 420,450 300,420', a) +
    line('M180 120V450M300 90V420M420 120V450'),
  sled: ([a, b, c]) =>
    poly('170,130 250,110 250,460 210,440', a) +
    rect([250, 110, 100, 350], b) +
    poly('430,130 350,110 350,460 390,440', a) +
    circle(300, 360, 34, c) +
    line('M250 110V460M350 110V460'),
  six: ([a, b, c]) =>
    poly('300,80 430,160 430,390 300,480', a) +
    poly('300,80 170,160 170,390 300,480', b) +
    circle(300, 275, 70, c) +
    line('M300 80V480M170 160H430M170 390H430'),
  glider: ([a, b, c]) =>
    poly('300,180 80,300 300,330', a) +
    poly('300,180 520,300 300,330', a) +
    poly('300,330 250,430 350,430', b) +
    poly('300,180 270,320 330,320', c) +
    line('M300 150V430M80 300Q300 250 520 300', 3),
  bird: ([a, b, c]) =>
    `<path d="M300 260Q180 120 60 260Q190 240 300 360Q410 240 540 260Q420 120 300 260z" fill="${a}"/>` +
    poly('300,250 262,400 338,400', b) +
    poly('262,400 300,500 338,400', c) +
    line('M60 260Q180 150 300 262Q420 150 540 260M300 250V480', 4),
  spool: ([a, b]) =>
    rect([170, 170, 260, 50], a, 8) +
    rect([210, 220, 180, 160], b) +
    [0, 1, 2, 3, 4, 5].map((i) => line(`M210 ${236 + i * 26}H390`, 3, '#ffffffaa')).join('') +
    rect([170, 380, 260, 50], a, 8),
  winder: ([a, b]) =>
    `<path d="M190 130q110 70 220 0v90q-60 80 0 160v90q-110 -70 -220 0v-90q60 -80 0 -160z" fill="${a}"/>` +
    [0, 1, 2, 3].map((i) => line(`M226 ${250 + i * 32}H374`, 9, b)).join(''),
  rods: ([a, b]) =>
    [0, 1, 2, 3, 4].map((i) => line(`M${150 + i * 60} 490 ${210 + i * 60} 110`, 11, i % 2 ? b : a)).join(''),
  patch: ([a, b, c]) =>
    `<rect x="150" y="150" width="200" height="200" rx="6" fill="${a}"/><rect x="230" y="230" width="200" height="200" rx="6" fill="${b}"/><rect x="190" y="300" width="110" height="150" rx="6" fill="${c}"/>`,
  glove: ([a, b]) =>
    `<path d="M200 490V280l-40-70q10-40 45 0l25 40V130q25-34 50 0v-20q26-30 50 0v24q26-26 48 4v40q24-20 40 8v180q-10 90-70 124z" fill="${a}"/>` +
    rect([200, 440, 170, 50], b, 6),
  meter: ([a, b, c]) =>
    rect([220, 250, 160, 260], a, 18) +
    rect([245, 330, 110, 90], c, 6) +
    circle(300, 190, 84, b) +
    circle(300, 190, 20, a) +
    line('M300 112V268M222 190H378', 8, a),
  stake: ([a, b]) =>
    poly('285,240 315,240 303,530 297,530', a) +
    circle(300, 170, 64, b) +
    circle(300, 170, 36, '#EAF4F6') +
    rect([255, 225, 90, 26], a, 6),
  bag: ([a, b]) =>
    line('M210 210q90-120 180 0', 16, b) +
    rect([130, 200, 340, 270], a, 26) +
    rect([130, 300, 340, 26], b) +
    rect([270, 290, 60, 48], '#F1EDE4', 6),
  plan: ([a]) =>
    rect([150, 100, 300, 400], '#F7FAFB', 4) +
    `<g stroke="${a}" fill="none" stroke-width="3"><path d="M300 150 200 300 300 440 400 300z M300 150V440 M200 300H400"/><path d="M170 130h60M370 470h60" stroke-dasharray="6 6"/></g>`,
  workshop: ([a, b, c]) =>
    rect([110, 360, 380, 26], SPAR, 4) +
    line('M160 386V500M440 386V500', 14) +
    poly('300,120 210,240 300,350 390,240', a) +
    poly('300,120 390,240 300,240', b) +
    line('M300 120V350M210 240H390', 4) +
    circle(440, 330, 26, c),
  tail: ([a, b, c]) =>
    [0, 1, 2, 3, 4, 5]
      .map((i) =>
        poly(
          `${170 + i * 50},${120 + i * 65} ${230 + i * 50},${100 + i * 65} ${200 + i * 50},${170 + i * 65}`,
          [a, b, c][i % 3]!,
        ),
      )
      .join('') + line('M160 100Q330 260 470 520', 3),
  connector: ([a, b]) =>
    rect([200, 270, 200, 60], a, 30) + rect([270, 180, 60, 240], b, 30) + circle(300, 300, 24, '#F1EDE4'),
};

const SKIES = ['#E6F1F3', '#EAF4EC', '#F6EFE2', '#E9EEF6'] as const;

export function drawProduct(shape: Shape, colours: Colours, n = 0): string {
  return svg(600, 600, rect([0, 0, 600, 600], SKIES[n % SKIES.length]!) + DRAW[shape](colours));
}

/** The same thing small, over the lake. */
export function drawInScene(shape: Shape, colours: Colours): string {
  return svg(
    600,
    600,
    landscape(600, 600) +
      line('M380 250Q300 420 210 520', 2, '#ffffffcc') +
      `<g transform="translate(210 30) scale(.55)">${DRAW[shape](colours)}</g>`,
  );
}

/** A wide scene for the front page: several kites over the lake. */
/** The shop's own mark. */
export function drawMark(): string {
  return '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40"><path d="M20 2 35 16 20 34 5 16z" fill="#B23A24"/><path d="M20 2 35 16H20z" fill="#1C4E5F"/><path d="M5 16h15v18z" fill="#E9A23B"/><path d="M20 34q4 2 0 5" fill="none" stroke="#14323B" stroke-width="1.5"/></svg>';
}

export function drawHero(): string {
  const kites: readonly [Shape, Sail, number, number, number][] = [
    ['delta', 'Harbour', 640, 110, 0.42],
    ['six', 'Poppy', 420, -10, 0.34],
    ['stunt', 'Ember', 900, 60, 0.5],
    ['diamond', 'Meadow', 1180, 10, 0.5],
    ['foil', 'Lagoon', 60, -20, 0.4],
  ];
  return svg(
    1600,
    620,
    landscape(1600, 620) +
      kites
        .map(
          ([shape, sail, x, y, scale]) =>
            `<g transform="translate(${x} ${y}) scale(${scale})">${DRAW[shape](SAILS[sail])}</g>`,
        )
        .join(''),
  );
}

function landscape(w: number, h: number): string {
  return (
    rect([0, 0, w, h], '#CFE5EC') +
    circle(w * 0.82, h * 0.2, h * 0.07, '#FBEFC9') +
    `<path d="M0 ${h * 0.62}Q${w * 0.2} ${h * 0.42} ${w * 0.42} ${h * 0.6}T${w} ${h * 0.5}V${h}H0z" fill="#A9C3A4"/>` +
    rect([0, h * 0.7, w, h * 0.3], '#6FA3B5') +
    [0, 1, 2, 3]
      .map((i) => line(`M${w * (0.1 + i * 0.22)} ${h * (0.77 + (i % 2) * 0.06)}h${w * 0.12}`, 3, '#ffffff88'))
      .join('') +
    `<path d="M0 ${h * 0.88}Q${w * 0.3} ${h * 0.8} ${w * 0.55} ${h * 0.9}T${w} ${h * 0.86}V${h}H0z" fill="#D8CFAE"/>`
  );
}

function svg(w: number, h: number, body: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" width="${w}" height="${h}">${body}</svg>`;
}
