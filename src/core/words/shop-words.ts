import { cartRename, type CartNaming } from './cart-noun';
import { fill } from './fill';
import { say, type WordSpec } from './word-spec';

type Said = Readonly<Record<'en' | 'de' | 'ar', string>>;

const word = (label: string, help: string, { en, de, ar }: Said): WordSpec => ({
  label,
  help,
  default: say(en, de, ar),
});

/** What the shop's own pages say, around the pieces. `{…}` are facts; see `fill`. */
export const SHOP_WORDS = {
  skip: word('Skip link', 'For keyboards, at the top of every page.', {
    en: 'Skip to main content',
    de: 'Zum Inhalt springen',
    ar: 'تخطَّ إلى المحتوى',
  }),
  searchLabel: word('Search field', 'Names the field for screen readers.', {
    en: 'Search the shop',
    de: 'Im Shop suchen',
    ar: 'ابحث في المتجر',
  }),
  searchHint: word('Search hint', 'In the empty field.', { en: 'Search', de: 'Suchen', ar: 'ابحث' }),
  searchGo: word('Search button', 'Names the button.', { en: 'Search', de: 'Suchen', ar: 'بحث' }),
  cart: word('Cart link', 'In the header.', { en: 'Cart', de: 'Warenkorb', ar: 'السلة' }),
  categories: word('Categories', 'Names the navigation.', { en: 'Categories', de: 'Kategorien', ar: 'الفئات' }),
  moreCategories: word('More categories', 'Unfolds those that do not fit.', { en: 'More', de: 'Mehr', ar: 'المزيد' }),
  language: word('Language', 'Names the switch.', { en: 'Language', de: 'Sprache', ar: 'اللغة' }),
  freeFrom: word('Free delivery', 'In the footer. {amount} is the sum.', {
    en: 'Free standard delivery from {amount}.',
    de: 'Ab {amount} liefern wir kostenlos (Standard).',
    ar: 'توصيل عادي مجاني من {amount}.',
  }),
  returns: word('Returns', 'In the footer.', {
    en: '30-day returns.',
    de: '30 Tage Rückgabe.',
    ar: 'إرجاع خلال 30 يومًا.',
  }),
  about: word('About the shop', 'In the footer.', { en: '', de: '', ar: '' }),
  imprint: word('About us', 'Link in the footer.', { en: 'About us', de: 'Impressum', ar: 'من نحن' }),
  terms: word('Terms', 'Link in the footer.', { en: 'Terms of sale', de: 'AGB', ar: 'شروط البيع' }),
  privacy: word('Privacy', 'Link in the footer.', { en: 'Privacy', de: 'Datenschutz', ar: 'الخصوصية' }),
  returnsPage: word('Returns', 'Link in the footer.', { en: 'Returns', de: 'Widerruf und Rückgabe', ar: 'الإرجاع' }),
  writeUs: word('Write to us', 'In the footer; {email} is your address.', {
    en: 'Questions? Write to {email}.',
    de: 'Fragen? Schreib an {email}.',
    ar: 'أسئلة؟ راسلنا على {email}.',
  }),

  heroTitle: word('Front page title', 'Over the picture.', { en: 'Welcome', de: 'Willkommen', ar: 'أهلًا بك' }),
  heroText: word('Front page text', 'Under the title.', { en: '', de: '', ar: '' }),
  heroLink: word('Front page button', 'Leads to everything.', {
    en: 'See all products',
    de: 'Alle Produkte ansehen',
    ar: 'عرض كل المنتجات',
  }),
  homeFirst: word('First row', 'On the front page.', { en: 'Best sellers', de: 'Bestseller', ar: 'الأكثر مبيعًا' }),
  homeNew: word('Second row', 'On the front page.', { en: 'New in', de: 'Neu', ar: 'وصل حديثًا' }),

  all: word('All products', 'Heading and link.', { en: 'All products', de: 'Alle Produkte', ar: 'كل المنتجات' }),
  results: word('Search results', '{query} is what was typed.', {
    en: 'Results for “{query}”',
    de: 'Ergebnisse für „{query}“',
    ar: 'نتائج «{query}»',
  }),
  mended: word('A slip', '{taken} is what was looked for.', {
    en: 'Showing results for “{taken}”.',
    de: 'Ergebnisse für „{taken}“.',
    ar: 'نعرض نتائج «{taken}».',
  }),
  sortBy: word('Sort', 'Names the list.', { en: 'Sort by', de: 'Sortieren nach', ar: 'ترتيب حسب' }),
  sortRelevance: word('Sort: relevance', 'For searches.', { en: 'Best match', de: 'Beste Treffer', ar: 'الأنسب' }),
  sortFeatured: word('Sort: featured', 'In the list.', { en: 'Featured', de: 'Empfohlen', ar: 'مقترحاتنا' }),
  sortBest: word('Sort: best selling', 'In the list; of 90 days.', {
    en: 'Best selling',
    de: 'Beliebtheit',
    ar: 'الأكثر مبيعًا',
  }),
  sortByHand: word('Sort: by hand', 'In categories you arranged.', {
    en: 'Our order',
    de: 'Unsere Reihenfolge',
    ar: 'ترتيبنا',
  }),
  sortNewest: word('Sort: newest', 'In the list.', { en: 'Newest', de: 'Neueste', ar: 'الأحدث' }),
  sortName: word('Sort: name', 'In the list.', { en: 'Name', de: 'Name', ar: 'الاسم' }),
  sortPriceUp: word('Sort: price', 'In the list.', {
    en: 'Price, low to high',
    de: 'Preis aufsteigend',
    ar: 'السعر من الأقل',
  }),
  sortPriceDown: word('Sort: price, downwards', 'In the list.', {
    en: 'Price, high to low',
    de: 'Preis absteigend',
    ar: 'السعر من الأعلى',
  }),
  sortRating: word('Sort: rating', 'In the list.', { en: 'Rating', de: 'Bewertung', ar: 'التقييم' }),
  priceFrom: word('Lowest price', 'Names the field.', { en: 'Price from', de: 'Preis ab', ar: 'السعر من' }),
  priceTo: word('Highest price', 'Names the field.', { en: 'to', de: 'bis', ar: 'إلى' }),
  inStock: word('In stock', 'A tick.', { en: 'In stock', de: 'Lieferbar', ar: 'متوفر' }),
  filter: word('Filter', 'The button.', { en: 'Apply filters', de: 'Filtern', ar: 'تطبيق' }),
  filters: word('Filters', 'Unfolds them on phones.', { en: 'Filters', de: 'Filter', ar: 'التصفية' }),
  moreFilters: word('More filters', 'Unfolds what else there is.', {
    en: 'More filters',
    de: 'Weitere Filter',
    ar: 'مزيد من عوامل التصفية',
  }),
  chosenFilters: word('Chosen filters', 'Read out before them.', {
    en: 'Chosen filters',
    de: 'Gewählte Filter',
    ar: 'عوامل التصفية المختارة',
  }),
  removeFilter: word('Remove a filter', '{name} is the filter.', {
    en: 'Remove the filter {name}',
    de: 'Filter {name} entfernen',
    ar: 'إزالة عامل التصفية {name}',
  }),
  filterRating: word('Filter by rating', 'Over the stars.', { en: 'Rating', de: 'Bewertung', ar: 'التقييم' }),
  byQuantity: word('Prices by quantity', 'Over the table of them.', {
    en: 'Cheaper by the number',
    de: 'Günstiger in der Menge',
    ar: 'أرخص بالكمية',
  }),
  forQuantity: word('A price by quantity', '{count} and {amount} stand for number and sum.', {
    en: '{count} for {amount}',
    de: '{count} für {amount}',
    ar: '{count} مقابل {amount}',
  }),
  filterTags: word('Filter by tag', 'Over the tags.', { en: 'Suits', de: 'Passt zu', ar: 'مناسب لـ' }),
  starsUp: word('Stars and more', '{stars} is the number.', {
    en: '{stars} stars or more',
    de: 'Mindestens {stars} Sterne',
    ar: '{stars} نجوم أو أكثر',
  }),
  rangeFrom: word('From', 'Before a number.', { en: 'from', de: 'von', ar: 'من' }),
  rangeTo: word('To', 'Before a number.', { en: 'to', de: 'bis', ar: 'إلى' }),
  clearFilters: word('Clear filters', 'The link.', {
    en: 'Clear filters',
    de: 'Filter zurücksetzen',
    ar: 'إزالة التصفية',
  }),
  products: word('Count', 'Over a listing. {count} is the number.', {
    en: '{count, plural, one {# product} other {# products}}',
    de: '{count, plural, one {# Produkt} other {# Produkte}}',
    ar: '{count, plural, zero {لا منتجات} one {منتج واحد} two {منتجان} few {# منتجات} many {# منتجًا} other {# منتج}}',
  }),
  nothing: word('Nothing found', 'Instead of products.', {
    en: 'No products found',
    de: 'Keine Produkte gefunden',
    ar: 'لم يُعثر على منتجات',
  }),
  nothingFiltered: word('Nothing found, filtered', 'When filters are set.', {
    en: 'Try fewer filters.',
    de: 'Versuche es mit weniger Filtern.',
    ar: 'جرّب تصفية أقل.',
  }),
  nothingSearched: word('Nothing found, searched', 'When something was typed.', {
    en: 'Check the spelling, or try a more general word.',
    de: 'Prüfe die Schreibweise oder nimm ein allgemeineres Wort.',
    ar: 'تحقق من الإملاء أو جرّب كلمة أعم.',
  }),
  pages: word('Pages', 'Names the links.', { en: 'Pages', de: 'Seiten', ar: 'الصفحات' }),
  previous: word('Previous page', 'A link.', { en: 'Previous', de: 'Zurück', ar: 'السابق' }),
  next: word('Next page', 'A link.', { en: 'Next', de: 'Weiter', ar: 'التالي' }),

  from: word('From', 'Before the lowest of several prices.', { en: 'from', de: 'ab', ar: 'من' }),
  soldOut: word('Sold out', 'On cards and buttons.', { en: 'Sold out', de: 'Ausverkauft', ar: 'نفد' }),
  noPicture: word('No picture', 'Instead of one.', { en: 'No picture', de: 'Kein Bild', ar: 'لا صورة' }),
  add: word('Add to cart', 'The main button.', { en: 'Add to cart', de: 'In den Warenkorb', ar: 'أضف إلى السلة' }),
  choose: word('Choose options', 'On cards with choices.', {
    en: 'Choose options',
    de: 'Auswählen',
    ar: 'اختر الخيارات',
  }),
  added: word('Added', 'Beside the button, where nothing opens.', {
    en: 'Added to your cart.',
    de: 'Liegt im Warenkorb.',
    ar: 'أُضيف إلى سلتك.',
  }),
  details: word('Details', 'On cards that cannot be added.', { en: 'See details', de: 'Details', ar: 'التفاصيل' }),
  ratings: word('Ratings', 'Beside the stars.', {
    en: '{count, plural, one {# rating} other {# ratings}}',
    de: '{count, plural, one {# Bewertung} other {# Bewertungen}}',
    ar: '{count, plural, one {تقييم واحد} two {تقييمان} few {# تقييمات} other {# تقييم}}',
  }),
  stars: word('Stars', 'Read out by screen readers.', {
    en: '{stars} out of 5 stars',
    de: '{stars} von 5 Sternen',
    ar: '{stars} من 5 نجوم',
  }),

  trail: word('You are here', 'Names the trail.', { en: 'You are here', de: 'Du bist hier', ar: 'أنت هنا' }),
  picture: word('Picture', 'Read out; {number} is which.', {
    en: 'Picture {number}',
    de: 'Bild {number}',
    ar: 'صورة {number}',
  }),
  quantity: word('Quantity', 'Names the field.', { en: 'Quantity', de: 'Menge', ar: 'الكمية' }),
  fewer: word('One fewer', 'Read out by screen readers.', { en: 'One fewer', de: 'Eins weniger', ar: 'أقل بواحد' }),
  more: word('One more', 'Read out by screen readers.', { en: 'One more', de: 'Eins mehr', ar: 'أكثر بواحد' }),
  chooseAnother: word('Not made', 'On the button.', {
    en: 'Not available like this',
    de: 'So nicht erhältlich',
    ar: 'غير متوفر هكذا',
  }),
  chooseFirst: word('Choose first', '{axis} is what is missing.', {
    en: 'Choose {axis} first',
    de: 'Zuerst {axis} wählen',
    ar: 'اختر {axis} أولًا',
  }),
  fewLeft: word('Few left', '{count} is how many.', {
    en: 'Only {count} left',
    de: 'Nur noch {count} da',
    ar: 'بقي {count} فقط',
  }),
  carried: word('From another site', 'Title, above what was put together there.', {
    en: 'Take this into your cart?',
    de: 'In deinen Warenkorb übernehmen?',
    ar: 'هل تضيف هذا إلى سلتك؟',
  }),
  carriedText: word('Where it is from', 'Below that title.', {
    en: 'It was put together on another site.',
    de: 'Das wurde auf einer anderen Seite zusammengestellt.',
    ar: 'جُمعت هذه المنتجات على موقع آخر.',
  }),
  carriedTake: word('Take it over', 'Button below what was put together there.', {
    en: 'Yes, take it over',
    de: 'Ja, übernehmen',
    ar: 'نعم، أضفها',
  }),
  linkGone: word('Link to what is gone', 'Title, where a link leads to something that is not sold any more.', {
    en: 'This is not sold any more',
    de: 'Das gibt es nicht mehr',
    ar: 'لم يعد هذا معروضًا للبيع',
  }),
  linkGoneText: word('What to do then', 'Below that title.', {
    en: 'The link you followed is from before. Have a look at what there is now.',
    de: 'Der Link ist von früher. Sieh dir an, was es jetzt gibt.',
    ar: 'الرابط الذي تبعته قديم. ألق نظرة على المعروض الآن.',
  }),
  linkCode: word('Code of a link', '{code} comes with it.', {
    en: 'With the code {code}',
    de: 'Mit dem Code {code}',
    ar: 'مع الرمز {code}',
  }),
  withCode: word('Price with a code', 'On a buy link that carries one: {price} and {code}.', {
    en: '{price} with the code {code}',
    de: '{price} mit dem Code {code}',
    ar: '{price} مع الرمز {code}',
  }),
  linkChoose: word('Link to what has choices', 'Where something is still to be said before it can be bought.', {
    en: 'A few things are still to be chosen.',
    de: 'Ein paar Dinge sind noch zu wählen.',
    ar: 'بقيت بعض الخيارات.',
  }),
  lowestPrice: word('Lowest price before', 'Beside a lower price; {amount} stands for the sum.', {
    en: 'Lowest price of the 30 days before: {amount}',
    de: 'Niedrigster Preis der 30 Tage davor: {amount}',
    ar: 'أدنى سعر خلال الأيام الثلاثين السابقة: {amount}',
  }),
  toldFreeSet: word('Offer: some free', 'Beside a price. {all} items cost as much as {paid}.', {
    en: '{all} for the price of {paid}',
    de: '{all} zum Preis von {paid}',
    ar: '{all} بسعر {paid}',
  }),
  toldSetOff: word(
    'Offer: some for less',
    'Beside a price. {buy} and {get} are numbers, {percent} is what comes off.',
    {
      en: 'Buy {buy}, get {get} more at {percent} off',
      de: '{buy} kaufen, {get} weitere mit {percent} Rabatt',
      ar: 'اشترِ {buy} واحصل على {get} إضافية بخصم {percent}',
    },
  ),
  toldGetsFree: word('Offer: something else free', 'Beside a price. {what} are the other products.', {
    en: 'Buy {buy}, get {get} × {what} free',
    de: '{buy} kaufen, {get} × {what} gratis dazu',
    ar: 'اشترِ {buy} واحصل على {get} × {what} مجانًا',
  }),
  toldGetsOff: word('Offer: something else for less', 'Beside a price. {what} are the other products.', {
    en: 'Buy {buy}, get {get} × {what} at {percent} off',
    de: '{buy} kaufen, {get} × {what} mit {percent} Rabatt',
    ar: 'اشترِ {buy} واحصل على {get} × {what} بخصم {percent}',
  }),
  toldFreeWith: word('Offer: free with something else', 'Beside a price. {what} are the other products.', {
    en: 'Free with {buy} × {what}',
    de: 'Gratis zu {buy} × {what}',
    ar: 'مجانًا مع {buy} × {what}',
  }),
  toldOffWith: word('Offer: for less with something else', 'Beside a price. {what} are the other products.', {
    en: '{percent} off with {buy} × {what}',
    de: '{percent} Rabatt zu {buy} × {what}',
    ar: 'خصم {percent} مع {buy} × {what}',
  }),
  toldBundle: word('Offer: together', 'Beside a price. {what} are all products of the set.', {
    en: '{what} together for {amount}',
    de: '{what} zusammen für {amount}',
    ar: '{what} معًا مقابل {amount}',
  }),
  toldCapped: word('Offer: up to a sum', 'Beside a price. {off} comes off, {amount} at most.', {
    en: '{off} off, at most {amount} per order',
    de: '{off} Rabatt, höchstens {amount} je Bestellung',
    ar: 'خصم {off} بحد أقصى {amount} للطلب',
  }),
  toldOrder: word('Offer: off the order', 'Beside a price. {off} comes off.', {
    en: '{off} off your order',
    de: '{off} Rabatt auf die Bestellung',
    ar: 'خصم {off} على طلبك',
  }),
  toldOrderOf: word('Offer: off some of the order', 'Beside a price. {what} are the products it counts.', {
    en: '{off} off the total of {what}',
    de: '{off} Rabatt auf die Summe von {what}',
    ar: 'خصم {off} على مجموع {what}',
  }),
  toldTogetherOff: word('Offer: off by the number', 'Beside a price. {count} of {what} together.', {
    en: '{off} off each from {count} of {what}',
    de: 'Je {off} Rabatt ab {count} von {what}',
    ar: 'خصم {off} لكل قطعة من {count} من {what}',
  }),
  toldTogetherEach: word('Offer: a price by the number', 'Beside a price. {count} of {what} together.', {
    en: '{amount} each from {count} of {what}',
    de: 'Je {amount} ab {count} von {what}',
    ar: '{amount} للقطعة من {count} من {what}',
  }),
  toldOff: word('Offer: off the price', 'Beside a price.', { en: '{off} off', de: '{off} Rabatt', ar: 'خصم {off}' }),
  toldPrice: word('Offer: a price', 'Beside a price.', { en: '{amount}', de: '{amount}', ar: '{amount}' }),
  toldWhile: word('While no other offer applies', 'Behind a price that another offer can take the place of.', {
    en: 'while no other offer applies',
    de: 'solange kein anderes Angebot gilt',
    ar: 'ما لم ينطبق عرض آخر',
  }),
  toldGift: word('Offer: a gift', 'Beside a price.', {
    en: 'With a gift: {what}',
    de: 'Mit Geschenk: {what}',
    ar: 'مع هدية: {what}',
  }),
  toldFrom: word('From a sum', 'Behind an offer. {amount} is the sum.', {
    en: 'for orders from {amount}',
    de: 'ab einem Bestellwert von {amount}',
    ar: 'للطلبات من {amount}',
  }),
  toldFromOf: word('From a sum of some products', 'Behind an offer. {what} are the products.', {
    en: 'from {amount} of {what}',
    de: 'ab {amount} von {what}',
    ar: 'من {amount} من {what}',
  }),
  toldItems: word('From a number', 'Behind an offer. {count} is the number.', {
    en: 'from {count, plural, one {# item} other {# items}}',
    de: 'ab {count} Artikeln',
    ar: 'من {count} منتجات',
  }),
  toldItemsOf: word('From a number of some products', 'Behind an offer. {what} are the products.', {
    en: 'from {count} × {what}',
    de: 'ab {count} × {what}',
    ar: 'من {count} × {what}',
  }),
  toldNew: word('On a first order', 'Behind an offer.', {
    en: 'on your first order',
    de: 'bei deiner ersten Bestellung',
    ar: 'على طلبك الأول',
  }),
  toldReturning: word('For those who return', 'Behind an offer.', {
    en: 'comes off when you pay, if you have bought here before',
    de: 'wird beim Bezahlen abgezogen, wenn du hier schon gekauft hast',
    ar: 'يُخصم عند الدفع إن سبق أن اشتريت منا',
  }),
  toldBirthday: word('Around a birthday', 'Behind an offer.', {
    en: 'comes off when you pay, around your birthday',
    de: 'wird beim Bezahlen abgezogen, rund um deinen Geburtstag',
    ar: 'يُخصم عند الدفع قرب عيد ميلادك',
  }),
  toldCountry: word('Delivered somewhere', 'Behind an offer. {country} is where.', {
    en: 'delivered to {country}',
    de: 'bei Lieferung nach {country}',
    ar: 'عند التوصيل إلى {country}',
  }),
  toldTimes: word('So often', 'Behind an offer. {count} is how often.', {
    en: '{count, plural, one {once per customer} other {# times per customer}}',
    de: '{count, plural, one {einmal je Kunde} other {#-mal je Kunde}}',
    ar: '{count, plural, one {مرة واحدة لكل عميل} two {مرتين لكل عميل} other {# مرات لكل عميل}}',
  }),
  selectedItems: word('Selected items', 'Where an offer names too many.', {
    en: 'selected items',
    de: 'ausgewählten Artikeln',
    ar: 'منتجات مختارة',
  }),
  anyItems: word('Any items', 'Where an offer is about everything.', {
    en: 'any items',
    de: 'beliebigen Artikeln',
    ar: 'أي منتجات',
  }),
  taxIncluded: word('Tax in the price', 'Behind a price.', {
    en: 'tax included',
    de: 'inkl. Steuer',
    ar: 'شامل الضريبة',
  }),
  taxExtra: word('Tax on top', 'Behind a price.', { en: 'plus tax', de: 'zzgl. Steuer', ar: 'دون الضريبة' }),
  priceTimes: word('How a price comes about, by the number', '{each} is a sum.', {
    en: '{count} × {each}',
    de: '{count} × {each}',
    ar: '{count} × {each}',
  }),
  priceParts: word('How a price comes about', '{each} and {once} are sums.', {
    en: '{count} × {each} + {once} once',
    de: '{count} × {each} + einmalig {once}',
    ar: '{count} × {each} + {once} مرة واحدة',
  }),
  deliveryTo: word('Delivery', 'On the product page.', {
    en: 'Delivery to {country}: {amount}, {days}',
    de: 'Lieferung nach {country}: {amount}, {days}',
    ar: 'التوصيل إلى {country}: {amount}، {days}',
  }),
  standard: word('Standard delivery', 'Of your own rates.', { en: 'Standard', de: 'Standard', ar: 'عادي' }),
  express: word('Express delivery', 'Of your own rates.', { en: 'Express', de: 'Express', ar: 'سريع' }),
  workingDays: word('Working days', '{days} is how many.', {
    en: '{days} working days',
    de: '{days} Werktage',
    ar: '{days} أيام عمل',
  }),
  deliveryFree: word('Free', 'Instead of a sum.', { en: 'free', de: 'kostenlos', ar: 'مجاني' }),
  deliveryFreeFrom: word('Free from', '{amount} is the sum.', {
    en: 'Free from {amount}',
    de: 'Ab {amount} kostenlos',
    ar: 'مجاني من {amount}',
  }),
  madeToOrder: word('Made to order', '{days} is how long it takes.', {
    en: 'Made to order: leaves us in about {days, plural, one {# day} other {# days}}',
    de: 'Wird für dich gefertigt: Versand in etwa {days, plural, one {# Tag} other {# Tagen}}',
    ar: 'يُصنع عند الطلب: يُشحن خلال {days} يومًا تقريبًا',
  }),
  daysAfterMaking: word('Days, made to order', '{lead} is how long it is made, {days} how long it is on its way.', {
    en: 'about {lead, plural, one {# day} other {# days}} to make, then {days}',
    de: 'etwa {lead, plural, one {# Tag} other {# Tage}} Fertigung, dann {days}',
    ar: 'نحو {lead} يومًا للصنع، ثم {days}',
  }),
  eventAt: word('An event', 'Instead of delivery. {place} is where.', {
    en: 'In person: {place}.',
    de: 'Vor Ort: {place}.',
    ar: 'حضوريًا: {place}.',
  }),
  eventPlace: word('Where an event is', 'In front of the place, in the order.', {
    en: 'Where',
    de: 'Wo',
    ar: 'المكان',
  }),
  byDownload: word('A download', 'Instead of delivery.', {
    en: 'Download: the link comes with your order.',
    de: 'Download: Der Link kommt mit der Bestellung.',
    ar: 'تنزيل: يصلك الرابط مع الطلب.',
  }),
  reviews: word('Reviews', 'Heading.', { en: 'What buyers say', de: 'Das sagen Käufer', ar: 'آراء المشترين' }),
  save: word('Save changes', 'Where a line is edited.', {
    en: 'Save changes',
    de: 'Änderungen speichern',
    ar: 'حفظ التغييرات',
  }),
  cancel: word('Cancel', 'Where a line is edited.', { en: 'Cancel', de: 'Abbrechen', ar: 'إلغاء' }),
  editLine: word('Edit item', '{name} is the product.', {
    en: 'Edit {name}',
    de: '{name} bearbeiten',
    ar: 'تعديل {name}',
  }),

  soon: word('Opens soon', 'Until you publish. {shop} is its name.', {
    en: '{shop} opens soon',
    de: '{shop} öffnet bald',
    ar: 'يُفتتح {shop} قريبًا',
  }),
  soonText: word('Opens soon, more', 'Under the heading.', {
    en: 'We are still unpacking. Please come back in a few days.',
    de: 'Wir packen noch aus. Schau in ein paar Tagen wieder vorbei.',
    ar: 'ما زلنا نجهّز المتجر. عد إلينا بعد أيام قليلة.',
  }),
  notFound: word('Not found', 'Heading.', {
    en: 'Page not found',
    de: 'Seite nicht gefunden',
    ar: 'الصفحة غير موجودة',
  }),
  notFoundText: word('Not found, more', 'Under the heading.', {
    en: 'It may have moved, or is no longer sold.',
    de: 'Sie wurde verschoben oder gibt es nicht mehr.',
    ar: 'ربما نُقلت أو لم تعد متاحة.',
  }),
  fault: word('A fault', 'Heading.', {
    en: 'Something went wrong on our side',
    de: 'Bei uns ist etwas schiefgegangen',
    ar: 'حدث خطأ لدينا',
  }),
  faultText: word('A fault, more', 'Under the heading.', {
    en: 'Nothing was changed or charged. Please try again in a moment.',
    de: 'Es wurde nichts geändert oder berechnet. Bitte versuche es gleich noch einmal.',
    ar: 'لم يتغير شيء ولم يُخصم أي مبلغ. حاول بعد قليل.',
  }),
  faultNumber: word('A fault, its number', '{number} is found in the log.', {
    en: 'If you write to us about it, give this number: {number}',
    de: 'Wenn du uns deswegen schreibst, nenne diese Nummer: {number}',
    ar: 'إذا راسلتنا بشأن ذلك فاذكر هذا الرقم: {number}',
  }),
  backToShop: word('Back to the shop', 'A link.', {
    en: 'Back to the shop',
    de: 'Zurück zum Shop',
    ar: 'العودة إلى المتجر',
  }),

  thanks: word('Thank you', '{name} is the buyer.', {
    en: 'Thank you, {name}.',
    de: 'Danke, {name}.',
    ar: 'شكرًا لك يا {name}.',
  }),
  thanksText: word('Paid', 'Under the heading. {email} is the buyer’s.', {
    en: 'Paid; we are preparing it. We sent a confirmation to {email}.',
    de: 'Bezahlt; wir machen es fertig. Eine Bestätigung ging an {email}.',
    ar: 'تم الدفع ونجهز طلبك. أرسلنا تأكيدًا إلى {email}.',
  }),
  orderNumber: word('Order number', '{number} is the number.', {
    en: 'Order {number}',
    de: 'Bestellung {number}',
    ar: 'الطلب {number}',
  }),
  orderedOn: word('Ordered on', '{date} is the day.', {
    en: 'Ordered on {date}',
    de: 'Bestellt am {date}',
    ar: 'بتاريخ {date}',
  }),
  ordered: word('What was ordered', 'Heading.', { en: 'Your order', de: 'Deine Bestellung', ar: 'طلبك' }),
  subtotal: word('Subtotal', 'In receipts.', { en: 'Subtotal', de: 'Zwischensumme', ar: 'المجموع الفرعي' }),
  discount: word('Discount', 'In receipts.', { en: 'Discount', de: 'Rabatt', ar: 'الخصم' }),
  cameOff: word('Less than was shown', 'In receipts, where something came off when it was paid. {amount} is the sum.', {
    en: '{amount} less than you were shown: it came off when you paid.',
    de: '{amount} weniger als angezeigt: Das wurde beim Bezahlen abgezogen.',
    ar: 'أقل بـ {amount} مما عُرض عليك: خُصم عند الدفع.',
  }),
  insteadOf: word('Instead of a price', 'In mails, behind an item that is lowered. {amount} is the sum.', {
    en: 'instead of {amount}',
    de: 'statt {amount}',
    ar: 'بدلًا من {amount}',
  }),
  delivery: word('Delivery', 'In receipts.', { en: 'Delivery', de: 'Lieferung', ar: 'التوصيل' }),
  tax: word('Tax', 'In receipts.', { en: 'Tax', de: 'Steuer', ar: 'الضريبة' }),
  taxWithin: word('Tax within', 'In receipts.', {
    en: 'Includes tax',
    de: 'Darin enthaltene Steuer',
    ar: 'تشمل ضريبة',
  }),
  total: word('Total', 'In receipts.', { en: 'Total', de: 'Gesamt', ar: 'الإجمالي' }),
  note: word('Note', 'Heading.', { en: 'Your note', de: 'Deine Nachricht', ar: 'ملاحظتك' }),
  contact: word('Contact', 'Heading.', { en: 'Contact', de: 'Kontakt', ar: 'التواصل' }),
  sendTo: word('Address', 'Heading.', { en: 'Delivery address', de: 'Lieferadresse', ar: 'عنوان التوصيل' }),
  downloads: word('Downloads', 'Heading.', { en: 'Your downloads', de: 'Deine Downloads', ar: 'تنزيلاتك' }),
  download: word('Download', 'The button.', { en: 'Download', de: 'Herunterladen', ar: 'تنزيل' }),
  downloadLeft: word('Downloads left', '{count} and {date} say how long.', {
    en: 'Can be downloaded {count, plural, one {# more time} other {# more times}}, until {date}',
    de: 'Noch {count}-mal ladbar, bis {date}',
    ar: 'يمكن تنزيله {count} مرات أخرى حتى {date}',
  }),
  downloadOver: word('No downloads left', 'Instead of the link.', {
    en: 'This link is used up. Write to us and we will help.',
    de: 'Dieser Link ist verbraucht. Schreib uns, wir helfen.',
    ar: 'انتهت صلاحية الرابط. راسلنا لنساعدك.',
  }),
  orderPage: word('Order page', 'Link in the mail.', {
    en: 'See your order',
    de: 'Bestellung ansehen',
    ar: 'عرض طلبك',
  }),
  invoice: word('Invoice', 'Heading, with the number.', { en: 'Invoice', de: 'Rechnung', ar: 'فاتورة' }),
  packingSlip: word('Packing slip', 'Heading, with the number.', {
    en: 'Packing slip',
    de: 'Lieferschein',
    ar: 'قائمة التعبئة',
  }),
  givenBack: word('Given back', 'On an invoice.', { en: 'Refunded', de: 'Erstattet', ar: 'مبلغ مردود' }),
  notAgain: word('What could not be ordered again', 'In the cart. {names} are the products.', {
    en: 'Not put into your cart: {names}. Please choose it again on its page.',
    de: 'Nicht im Warenkorb: {names}. Bitte auf der Seite des Produkts noch einmal wählen.',
    ar: 'لم يوضع في السلة: {names}. اختره مرة أخرى من صفحته.',
  }),
  mailSubject: word('Subject of the mail', '{shop} and {number} are facts.', {
    en: 'Your order {number} at {shop}',
    de: 'Deine Bestellung {number} bei {shop}',
    ar: 'طلبك {number} من {shop}',
  }),

  sentSubject: word('Subject: it is on its way', '{shop} and {number} are facts.', {
    en: 'Your order {number} from {shop} is on its way',
    de: 'Deine Bestellung {number} bei {shop} ist unterwegs',
    ar: 'طلبك {number} من {shop} في الطريق',
  }),
  sentText: word('Mail: it is on its way', '{name} is the buyer.', {
    en: 'Hello {name}, we have sent your order {number}.',
    de: 'Hallo {name}, deine Bestellung {number} ist verschickt.',
    ar: 'مرحبًا {name}، أرسلنا طلبك {number}.',
  }),
  tracking: word('Tracking', '{tracking} is the carrier’s.', {
    en: 'Tracking: {tracking}',
    de: 'Sendungsnummer: {tracking}',
    ar: 'رقم التتبع: {tracking}',
  }),
  refundSubject: word('Subject: refund', '{shop} and {number} are facts.', {
    en: 'Refund for your order {number} from {shop}',
    de: 'Erstattung zu deiner Bestellung {number} bei {shop}',
    ar: 'استرداد مبلغ طلبك {number} من {shop}',
  }),
  refundText: word('Mail: refund', '{amount} is the sum.', {
    en: 'Hello {name}, we have refunded {amount} for your order {number}.',
    de: 'Hallo {name}, wir haben dir {amount} zu deiner Bestellung {number} erstattet.',
    ar: 'مرحبًا {name}، أعدنا إليك {amount} عن طلبك {number}.',
  }),
  addedSubject: word('Subject: added to the order', '{shop} and {number} are facts.', {
    en: 'Added to your order {number} at {shop}',
    de: 'Zu deiner Bestellung {number} bei {shop} hinzugefügt',
    ar: 'أُضيف إلى طلبك {number} من {shop}',
  }),
  addedText: word('Mail: added to the order', '{what} was added, {amount} is the sum.', {
    en: 'Hello {name}, we have added {what} to your order {number} and charged {amount} to the same card. It comes with everything else.',
    de: 'Hallo {name}, wir haben {what} zu deiner Bestellung {number} hinzugefügt und {amount} von derselben Karte abgebucht. Es kommt mit allem anderen.',
    ar: 'مرحبًا {name}، أضفنا {what} إلى طلبك {number} وخصمنا {amount} من البطاقة نفسها. سيصل مع بقية الطلب.',
  }),
  codeMail: word('Mail: a code for next time', '{code} is the code.', {
    en: 'For your next order, this code is yours, once: {code}',
    de: 'Für deine nächste Bestellung, einmal gültig: {code}',
    ar: 'لطلبك القادم هذا الرمز لك مرة واحدة: {code}',
  }),
  day: word('Day', 'Of a birthday.', { en: 'Day', de: 'Tag', ar: 'اليوم' }),
  month: word('Month', 'Of a birthday.', { en: 'Month', de: 'Monat', ar: 'الشهر' }),
  birthdayKept: word('Birthday kept', 'After the question was answered.', {
    en: 'Thank you. We have noted it.',
    de: 'Danke. Wir haben es notiert.',
    ar: 'شكرًا لك. سجلنا ذلك.',
  }),
  birthdayNotAsked: word('Birthday not told', 'After the question was declined.', {
    en: 'All right. We will not ask again.',
    de: 'In Ordnung. Wir fragen nicht wieder.',
    ar: 'حسنًا. لن نسأل مرة أخرى.',
  }),
  refunded: word('Refunded', 'On the order’s page.', { en: 'Refunded', de: 'Erstattet', ar: 'مبلغ مسترد' }),
  sentOn: word('Sent on', '{date} is the day.', {
    en: 'Sent on {date}',
    de: 'Verschickt am {date}',
    ar: 'أُرسل بتاريخ {date}',
  }),
  cancelled: word('Cancelled', 'On the order’s page.', {
    en: 'This order was cancelled.',
    de: 'Diese Bestellung wurde storniert.',
    ar: 'أُلغي هذا الطلب.',
  }),

  orderPaid: word('Paid, in short', 'On an order’s page, for whoever has not shown that it is theirs.', {
    en: 'Paid; we are preparing it.',
    de: 'Bezahlt; wir machen es fertig.',
    ar: 'تم الدفع ونجهز الطلب.',
  }),
  proveTitle: word('Is this your order?', 'Over the fields that open an order’s details.', {
    en: 'Is this your order?',
    de: 'Ist das deine Bestellung?',
    ar: 'هل هذا طلبك؟',
  }),
  proveText: word('Why to prove it', 'Under that heading.', {
    en: 'Address, amounts and downloads are shown to its buyer. Tell us what you ordered with, or follow the link in your confirmation mail.',
    de: 'Adresse, Beträge und Downloads zeigen wir nur dem Käufer. Sag uns, womit du bestellt hast, oder folge dem Link in deiner Bestätigungsmail.',
    ar: 'نعرض العنوان والمبالغ والتنزيلات للمشتري فقط. أخبرنا بما طلبت به أو اتبع الرابط في رسالة التأكيد.',
  }),
  proveButton: word('Show the order', 'The button under those fields.', {
    en: 'Show my order',
    de: 'Bestellung zeigen',
    ar: 'اعرض طلبي',
  }),
  email: word('E-mail', 'Names a field.', { en: 'E-mail', de: 'E-Mail', ar: 'البريد الإلكتروني' }),
  postcode: word('Postcode', 'Names a field.', { en: 'Postcode', de: 'Postleitzahl', ar: 'الرمز البريدي' }),
  orderNumberField: word('Order number', 'Names a field.', {
    en: 'Order number',
    de: 'Bestellnummer',
    ar: 'رقم الطلب',
  }),
  buyersOnly: word('Only where it was ordered', 'When somebody presses what only the buyer may.', {
    en: 'This works in the browser you ordered with.',
    de: 'Das geht nur in dem Browser, mit dem du bestellt hast.',
    ar: 'هذا متاح في المتصفح الذي طلبت منه فقط.',
  }),

  quickPay: word('Quick pay', 'Heading.', { en: 'Pay with wallet', de: 'Mit Wallet bezahlen', ar: 'الدفع بالمحفظة' }),
  quickPayNote: word('About the wallet', 'A notice.', {
    en: 'This wallet is a stand-in with a made-up holder. No money moves.',
    de: 'Diese Geldbörse ist ein Platzhalter mit erfundenem Inhaber. Es fließt kein Geld.',
    ar: 'هذه المحفظة تجريبية ولصاحب وهمي. لا تُحوَّل أي أموال.',
  }),
  payWith: word('Pay with', 'Above the cards.', { en: 'Pay with', de: 'Bezahlen mit', ar: 'ادفع بـ' }),
  pay: word('Pay button', '{amount} is the sum.', { en: 'Pay {amount}', de: '{amount} bezahlen', ar: 'ادفع {amount}' }),
  itemsTotal: word('Items and total', '{count} is how many.', {
    en: '{count, plural, one {# item} other {# items}}, delivery and tax included',
    de: '{count, plural, one {# Artikel} other {# Artikel}}, inkl. Lieferung und Steuer',
    ar: '{count} منتجات شاملة التوصيل والضريبة',
  }),
  backToCart: word('Back to the cart', 'A link.', {
    en: 'Back to the cart',
    de: 'Zurück zum Warenkorb',
    ar: 'العودة إلى السلة',
  }),

  offline: word('Offline', 'A line on the page. {count} changes wait.', {
    en: 'You are offline. {count, plural, =0 {Pages cannot be loaded until you are back.} one {One change to your cart is kept and sent when you are back.} other {# changes to your cart are kept and sent when you are back.}}',
    de: 'Du bist offline. {count, plural, =0 {Seiten laden erst wieder mit Verbindung.} one {Eine Änderung am Warenkorb wird nachgeholt.} other {# Änderungen am Warenkorb werden nachgeholt.}}',
    ar: 'أنت غير متصل. {count, plural, =0 {لا يمكن تحميل الصفحات الآن.} other {ستُرسل تغييرات السلة (#) عند عودة الاتصال.}}',
  }),
} as const satisfies Readonly<Record<string, WordSpec>>;

export type ShopWord = keyof typeof SHOP_WORDS;
export type ShopWords = Readonly<Record<ShopWord, string>>;

/** The owner's words, by language. Only what differs from what ships. */
export type OwnShopWords = Readonly<Record<string, Readonly<Partial<Record<string, string>>> | undefined>>;

/** What the words of a shop's pages are made from. */
export interface SpeakingLane {
  readonly shopWords: OwnShopWords;
  readonly shop: { readonly cart: CartNaming };
}

/** The words of the shop's pages in a language: the owner's, else those that ship, else English; the cart as the shop calls it. */
export function resolveShopWords({ shopWords: own, shop }: SpeakingLane, language: string): ShopWords {
  const specs: Readonly<Record<string, WordSpec>> = SHOP_WORDS;
  const rename = cartRename(shop.cart, language);
  return Object.fromEntries(
    Object.entries(specs).map(([key, spec]) => [
      key,
      rename(own[language]?.[key] ?? spec.default[language] ?? own['en']?.[key] ?? spec.default.en),
    ]),
  ) as Record<ShopWord, string>;
}

/** A word of the shop's pages, with its facts. */
export type SayShop = (word: ShopWord, facts?: Readonly<Record<string, string | number>>) => string;

/** Speaks a language with the shop's words. */
export function sayIn(lane: SpeakingLane, language: string): SayShop {
  const words = resolveShopWords(lane, language);
  return (word, facts = {}) => fill(words[word], facts, language);
}
