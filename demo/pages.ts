import type { Lane } from '~/core/lane';

const fact = (product: string, name: string, more = '', fallback = '') =>
  `<pl-fact product="${product}" fact="${name}"${more}>${fallback}</pl-fact>`;

/** The text on the front page: what is said of prices is said by the catalogue. */
export const LOFT_NOTE = {
  en: `New to this? Begin with the **${fact('wagtail', 'name', '', 'Wagtail')}**: ${fact('wagtail', 'price', '', 'not dear')}, rated ${fact('wagtail', 'rating', ' after=" out of 5"', 'by nobody yet')}. Or read [how to choose a kite](/shop/pages/choosing-a-kite).`,
  de: `Ganz neu dabei? Beginne mit **${fact('wagtail', 'name', '', 'Wagtail')}**: ${fact('wagtail', 'price', '', 'nicht teuer')}. Oder lies, [wie man einen Drachen wählt](/shop/pages/choosing-a-kite).`,
  ar: `جديد هنا؟ ابدأ بـ **${fact('wagtail', 'name', '', 'Wagtail')}**: ${fact('wagtail', 'price', '', 'غير مكلف')}.`,
};

export const DEMO_PAGES: Lane['pages'] = {
  'choosing-a-kite': {
    on: true,
    inFooter: true,
    formerly: [],
    title: { en: 'How to choose a kite', de: 'Wie man einen Drachen wählt', ar: 'كيف تختار طائرة ورقية' },
    text: {
      en: `Look at the wind first. If leaves move and dust does not, take something light, such as the ${fact('heron', 'name')} (${fact('heron', 'price', '', 'price in the shop')}). It flies in ${fact('heron', 'attribute', ' attribute="Wind range"', 'a light breeze')}.

${fact('heron', 'picture')}

## For two lines

The ${fact('kestrel', 'name', '', 'Kestrel')} wants room and a steady wind. ${fact('kestrel', 'stock', ' before="We have " after=" of them on the shelf."', 'We have it on the shelf.')}

| Kite | Price | Wind |
| --- | --- | --- |
| ${fact('wagtail', 'name')} | ${fact('wagtail', 'price')} | ${fact('wagtail', 'attribute', ' attribute="Wind range"', 'any')} |
| ${fact('heron', 'name')} | ${fact('heron', 'price')} | ${fact('heron', 'attribute', ' attribute="Wind range"', 'any')} |

## What breaks first

Spars do. Keep some at home:

<pl-piece name="spares-table"></pl-piece>
`,
      de: `Schau zuerst auf den Wind. Wenn Blätter sich regen, aber kein Staub fliegt, nimm etwas Leichtes wie den ${fact('heron', 'name')} (${fact('heron', 'price', '', 'Preis im Shop')}).

<pl-piece name="spares-table"></pl-piece>
`,
    },
  },
};
