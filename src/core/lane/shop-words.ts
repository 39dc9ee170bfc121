import { cartRename, fill, type CartNaming } from '~/core/words';
import type { WordSpec } from './setting';
import { say } from './standard';

const word = (label: string, help: string, en: string, de: string, ar: string): WordSpec => ({
  label,
  help,
  default: say(en, de, ar),
});

/** What the shop's own pages say, around the pieces. `{…}` are facts; see `fill`. */
export const SHOP_WORDS = {
  skip: word(
    'Skip link',
    'For keyboards, at the top of every page.',
    'Skip to main content',
    'Zum Inhalt springen',
    'تخطَّ إلى المحتوى',
  ),
  searchLabel: word(
    'Search field',
    'Names the field for screen readers.',
    'Search the shop',
    'Im Shop suchen',
    'ابحث في المتجر',
  ),
  searchHint: word('Search hint', 'In the empty field.', 'Search', 'Suchen', 'ابحث'),
  searchGo: word('Search button', 'Names the button.', 'Search', 'Suchen', 'بحث'),
  cart: word('Cart link', 'In the header.', 'Cart', 'Warenkorb', 'السلة'),
  categories: word('Categories', 'Names the navigation.', 'Categories', 'Kategorien', 'الفئات'),
  moreCategories: word('More categories', 'Unfolds those that do not fit.', 'More', 'Mehr', 'المزيد'),
  language: word('Language', 'Names the switch.', 'Language', 'Sprache', 'اللغة'),
  freeFrom: word(
    'Free delivery',
    'In the footer. {amount} is the sum.',
    'Free standard delivery from {amount}.',
    'Ab {amount} liefern wir kostenlos (Standard).',
    'توصيل عادي مجاني من {amount}.',
  ),
  returns: word('Returns', 'In the footer.', '30-day returns.', '30 Tage Rückgabe.', 'إرجاع خلال 30 يومًا.'),
  about: word('About the shop', 'In the footer.', '', '', ''),
  imprint: word('About us', 'Link in the footer.', 'About us', 'Impressum', 'من نحن'),
  terms: word('Terms', 'Link in the footer.', 'Terms of sale', 'AGB', 'شروط البيع'),
  privacy: word('Privacy', 'Link in the footer.', 'Privacy', 'Datenschutz', 'الخصوصية'),
  returnsPage: word('Returns', 'Link in the footer.', 'Returns', 'Widerruf und Rückgabe', 'الإرجاع'),
  writeUs: word(
    'Write to us',
    'In the footer; {email} is your address.',
    'Questions? Write to {email}.',
    'Fragen? Schreib an {email}.',
    'أسئلة؟ راسلنا على {email}.',
  ),

  heroTitle: word('Front page title', 'Over the picture.', 'Welcome', 'Willkommen', 'أهلًا بك'),
  heroText: word('Front page text', 'Under the title.', '', '', ''),
  heroLink: word(
    'Front page button',
    'Leads to everything.',
    'See all products',
    'Alle Produkte ansehen',
    'عرض كل المنتجات',
  ),
  homeFirst: word('First row', 'On the front page.', 'Best sellers', 'Bestseller', 'الأكثر مبيعًا'),
  homeNew: word('Second row', 'On the front page.', 'New in', 'Neu', 'وصل حديثًا'),

  all: word('All products', 'Heading and link.', 'All products', 'Alle Produkte', 'كل المنتجات'),
  results: word(
    'Search results',
    '{query} is what was typed.',
    'Results for “{query}”',
    'Ergebnisse für „{query}“',
    'نتائج «{query}»',
  ),
  mended: word(
    'A slip',
    '{taken} is what was looked for.',
    'Showing results for “{taken}”.',
    'Ergebnisse für „{taken}“.',
    'نعرض نتائج «{taken}».',
  ),
  sortBy: word('Sort', 'Names the list.', 'Sort by', 'Sortieren nach', 'ترتيب حسب'),
  sortRelevance: word('Sort: relevance', 'For searches.', 'Best match', 'Beste Treffer', 'الأنسب'),
  sortFeatured: word('Sort: featured', 'In the list.', 'Featured', 'Empfohlen', 'مقترحاتنا'),
  sortBest: word('Sort: best selling', 'In the list; of 90 days.', 'Best selling', 'Beliebtheit', 'الأكثر مبيعًا'),
  sortByHand: word('Sort: by hand', 'In categories you arranged.', 'Our order', 'Unsere Reihenfolge', 'ترتيبنا'),
  sortNewest: word('Sort: newest', 'In the list.', 'Newest', 'Neueste', 'الأحدث'),
  sortName: word('Sort: name', 'In the list.', 'Name', 'Name', 'الاسم'),
  sortPriceUp: word('Sort: price', 'In the list.', 'Price, low to high', 'Preis aufsteigend', 'السعر من الأقل'),
  sortPriceDown: word(
    'Sort: price, downwards',
    'In the list.',
    'Price, high to low',
    'Preis absteigend',
    'السعر من الأعلى',
  ),
  sortRating: word('Sort: rating', 'In the list.', 'Rating', 'Bewertung', 'التقييم'),
  priceFrom: word('Lowest price', 'Names the field.', 'Price from', 'Preis ab', 'السعر من'),
  priceTo: word('Highest price', 'Names the field.', 'to', 'bis', 'إلى'),
  inStock: word('In stock', 'A tick.', 'In stock', 'Lieferbar', 'متوفر'),
  filter: word('Filter', 'The button.', 'Apply filters', 'Filtern', 'تطبيق'),
  moreFilters: word(
    'More filters',
    'Unfolds what else there is.',
    'More filters',
    'Weitere Filter',
    'مزيد من عوامل التصفية',
  ),
  chosenFilters: word(
    'Chosen filters',
    'Read out before them.',
    'Chosen filters',
    'Gewählte Filter',
    'عوامل التصفية المختارة',
  ),
  removeFilter: word(
    'Remove a filter',
    '{name} is the filter.',
    'Remove the filter {name}',
    'Filter {name} entfernen',
    'إزالة عامل التصفية {name}',
  ),
  filterRating: word('Filter by rating', 'Over the stars.', 'Rating', 'Bewertung', 'التقييم'),
  byQuantity: word(
    'Prices by quantity',
    'Over the table of them.',
    'Cheaper by the number',
    'Günstiger in der Menge',
    'أرخص بالكمية',
  ),
  forQuantity: word(
    'A price by quantity',
    '{count} and {amount} stand for number and sum.',
    '{count} for {amount}',
    '{count} für {amount}',
    '{count} مقابل {amount}',
  ),
  filterTags: word('Filter by tag', 'Over the tags.', 'Suits', 'Passt zu', 'مناسب لـ'),
  starsUp: word(
    'Stars and more',
    '{stars} is the number.',
    '{stars} stars or more',
    'Mindestens {stars} Sterne',
    '{stars} نجوم أو أكثر',
  ),
  rangeFrom: word('From', 'Before a number.', 'from', 'von', 'من'),
  rangeTo: word('To', 'Before a number.', 'to', 'bis', 'إلى'),
  clearFilters: word('Clear filters', 'The link.', 'Clear filters', 'Filter zurücksetzen', 'إزالة التصفية'),
  products: word(
    'Count',
    'Over a listing. {count} is the number.',
    '{count, plural, one {# product} other {# products}}',
    '{count, plural, one {# Produkt} other {# Produkte}}',
    '{count, plural, zero {لا منتجات} one {منتج واحد} two {منتجان} few {# منتجات} many {# منتجًا} other {# منتج}}',
  ),
  nothing: word(
    'Nothing found',
    'Instead of products.',
    'No products found',
    'Keine Produkte gefunden',
    'لم يُعثر على منتجات',
  ),
  nothingFiltered: word(
    'Nothing found, filtered',
    'When filters are set.',
    'Try fewer filters.',
    'Versuche es mit weniger Filtern.',
    'جرّب تصفية أقل.',
  ),
  nothingSearched: word(
    'Nothing found, searched',
    'When something was typed.',
    'Check the spelling, or try a more general word.',
    'Prüfe die Schreibweise oder nimm ein allgemeineres Wort.',
    'تحقق من الإملاء أو جرّب كلمة أعم.',
  ),
  pages: word('Pages', 'Names the links.', 'Pages', 'Seiten', 'الصفحات'),
  previous: word('Previous page', 'A link.', 'Previous', 'Zurück', 'السابق'),
  next: word('Next page', 'A link.', 'Next', 'Weiter', 'التالي'),

  from: word('From', 'Before the lowest of several prices.', 'from', 'ab', 'من'),
  soldOut: word('Sold out', 'On cards and buttons.', 'Sold out', 'Ausverkauft', 'نفد'),
  noPicture: word('No picture', 'Instead of one.', 'No picture', 'Kein Bild', 'لا صورة'),
  add: word('Add to cart', 'The main button.', 'Add to cart', 'In den Warenkorb', 'أضف إلى السلة'),
  choose: word('Choose options', 'On cards with choices.', 'Choose options', 'Auswählen', 'اختر الخيارات'),
  details: word('Details', 'On cards that cannot be added.', 'See details', 'Details', 'التفاصيل'),
  ratings: word(
    'Ratings',
    'Beside the stars.',
    '{count, plural, one {# rating} other {# ratings}}',
    '{count, plural, one {# Bewertung} other {# Bewertungen}}',
    '{count, plural, one {تقييم واحد} two {تقييمان} few {# تقييمات} other {# تقييم}}',
  ),
  stars: word(
    'Stars',
    'Read out by screen readers.',
    '{stars} out of 5 stars',
    '{stars} von 5 Sternen',
    '{stars} من 5 نجوم',
  ),

  trail: word('You are here', 'Names the trail.', 'You are here', 'Du bist hier', 'أنت هنا'),
  picture: word('Picture', 'Read out; {number} is which.', 'Picture {number}', 'Bild {number}', 'صورة {number}'),
  quantity: word('Quantity', 'Names the field.', 'Quantity', 'Menge', 'الكمية'),
  fewer: word('One fewer', 'Read out by screen readers.', 'One fewer', 'Eins weniger', 'أقل بواحد'),
  more: word('One more', 'Read out by screen readers.', 'One more', 'Eins mehr', 'أكثر بواحد'),
  chooseAnother: word('Not made', 'On the button.', 'Not available like this', 'So nicht erhältlich', 'غير متوفر هكذا'),
  chooseFirst: word(
    'Choose first',
    '{axis} is what is missing.',
    'Choose {axis} first',
    'Zuerst {axis} wählen',
    'اختر {axis} أولًا',
  ),
  fewLeft: word('Few left', '{count} is how many.', 'Only {count} left', 'Nur noch {count} da', 'بقي {count} فقط'),
  linkGone: word(
    'Link to what is gone',
    'Title, where a link leads to something that is not sold any more.',
    'This is not sold any more',
    'Das gibt es nicht mehr',
    'لم يعد هذا معروضًا للبيع',
  ),
  linkGoneText: word(
    'What to do then',
    'Below that title.',
    'The link you followed is from before. Have a look at what there is now.',
    'Der Link ist von früher. Sieh dir an, was es jetzt gibt.',
    'الرابط الذي تبعته قديم. ألق نظرة على المعروض الآن.',
  ),
  linkCode: word(
    'Code of a link',
    '{code} comes with it.',
    'With the code {code}',
    'Mit dem Code {code}',
    'مع الرمز {code}',
  ),
  linkChoose: word(
    'Link to what has choices',
    'Where something is still to be said before it can be bought.',
    'A few things are still to be chosen.',
    'Ein paar Dinge sind noch zu wählen.',
    'بقيت بعض الخيارات.',
  ),
  lowestPrice: word(
    'Lowest price before',
    'Beside a lower price; {amount} stands for the sum.',
    'Lowest price of the 30 days before: {amount}',
    'Niedrigster Preis der 30 Tage davor: {amount}',
    'أدنى سعر خلال الأيام الثلاثين السابقة: {amount}',
  ),
  taxIncluded: word('Tax in the price', 'Behind a price.', 'tax included', 'inkl. Steuer', 'شامل الضريبة'),
  taxExtra: word('Tax on top', 'Behind a price.', 'plus tax', 'zzgl. Steuer', 'دون الضريبة'),
  priceParts: word(
    'How a price comes about',
    '{each} and {once} are sums.',
    '{count} × {each} + {once} once',
    '{count} × {each} + einmalig {once}',
    '{count} × {each} + {once} مرة واحدة',
  ),
  deliveryTo: word(
    'Delivery',
    'On the product page.',
    'Delivery to {country}: {amount}, {days}',
    'Lieferung nach {country}: {amount}, {days}',
    'التوصيل إلى {country}: {amount}، {days}',
  ),
  standard: word('Standard delivery', 'Of your own rates.', 'Standard', 'Standard', 'عادي'),
  express: word('Express delivery', 'Of your own rates.', 'Express', 'Express', 'سريع'),
  workingDays: word('Working days', '{days} is how many.', '{days} working days', '{days} Werktage', '{days} أيام عمل'),
  deliveryFree: word('Free', 'Instead of a sum.', 'free', 'kostenlos', 'مجاني'),
  deliveryFreeFrom: word(
    'Free from',
    '{amount} is the sum.',
    'Free from {amount}',
    'Ab {amount} kostenlos',
    'مجاني من {amount}',
  ),
  madeToOrder: word(
    'Made to order',
    '{days} is how long it takes.',
    'Made to order: leaves us in about {days, plural, one {# day} other {# days}}',
    'Wird für dich gefertigt: Versand in etwa {days, plural, one {# Tag} other {# Tagen}}',
    'يُصنع عند الطلب: يُشحن خلال {days} يومًا تقريبًا',
  ),
  byDownload: word(
    'A download',
    'Instead of delivery.',
    'Download: the link comes with your order.',
    'Download: Der Link kommt mit der Bestellung.',
    'تنزيل: يصلك الرابط مع الطلب.',
  ),
  reviews: word('Reviews', 'Heading.', 'What buyers say', 'Das sagen Käufer', 'آراء المشترين'),
  save: word('Save changes', 'Where a line is edited.', 'Save changes', 'Änderungen speichern', 'حفظ التغييرات'),
  cancel: word('Cancel', 'Where a line is edited.', 'Cancel', 'Abbrechen', 'إلغاء'),
  editLine: word('Edit item', '{name} is the product.', 'Edit {name}', '{name} bearbeiten', 'تعديل {name}'),

  soon: word(
    'Opens soon',
    'Until you publish. {shop} is its name.',
    '{shop} opens soon',
    '{shop} öffnet bald',
    'يُفتتح {shop} قريبًا',
  ),
  soonText: word(
    'Opens soon, more',
    'Under the heading.',
    'We are still unpacking. Please come back in a few days.',
    'Wir packen noch aus. Schau in ein paar Tagen wieder vorbei.',
    'ما زلنا نجهّز المتجر. عد إلينا بعد أيام قليلة.',
  ),
  notFound: word('Not found', 'Heading.', 'Page not found', 'Seite nicht gefunden', 'الصفحة غير موجودة'),
  notFoundText: word(
    'Not found, more',
    'Under the heading.',
    'It may have moved, or is no longer sold.',
    'Sie wurde verschoben oder gibt es nicht mehr.',
    'ربما نُقلت أو لم تعد متاحة.',
  ),
  fault: word(
    'A fault',
    'Heading.',
    'Something went wrong on our side',
    'Bei uns ist etwas schiefgegangen',
    'حدث خطأ لدينا',
  ),
  faultText: word(
    'A fault, more',
    'Under the heading.',
    'Nothing was changed or charged. Please try again in a moment.',
    'Es wurde nichts geändert oder berechnet. Bitte versuche es gleich noch einmal.',
    'لم يتغير شيء ولم يُخصم أي مبلغ. حاول بعد قليل.',
  ),
  faultNumber: word(
    'A fault, its number',
    '{number} is found in the log.',
    'If you write to us about it, give this number: {number}',
    'Wenn du uns deswegen schreibst, nenne diese Nummer: {number}',
    'إذا راسلتنا بشأن ذلك فاذكر هذا الرقم: {number}',
  ),
  backToShop: word('Back to the shop', 'A link.', 'Back to the shop', 'Zurück zum Shop', 'العودة إلى المتجر'),

  thanks: word('Thank you', '{name} is the buyer.', 'Thank you, {name}.', 'Danke, {name}.', 'شكرًا لك يا {name}.'),
  thanksText: word(
    'Paid',
    'Under the heading. {email} is the buyer’s.',
    'Paid; we are preparing it. We sent a confirmation to {email}.',
    'Bezahlt; wir machen es fertig. Eine Bestätigung ging an {email}.',
    'تم الدفع ونجهز طلبك. أرسلنا تأكيدًا إلى {email}.',
  ),
  orderNumber: word(
    'Order number',
    '{number} is the number.',
    'Order {number}',
    'Bestellung {number}',
    'الطلب {number}',
  ),
  orderedOn: word('Ordered on', '{date} is the day.', 'Ordered on {date}', 'Bestellt am {date}', 'بتاريخ {date}'),
  ordered: word('What was ordered', 'Heading.', 'Your order', 'Deine Bestellung', 'طلبك'),
  subtotal: word('Subtotal', 'In receipts.', 'Subtotal', 'Zwischensumme', 'المجموع الفرعي'),
  discount: word('Discount', 'In receipts.', 'Discount', 'Rabatt', 'الخصم'),
  discountWith: word(
    'Discount with a code',
    '{code} is the code.',
    'Discount ({code})',
    'Rabatt ({code})',
    'الخصم ({code})',
  ),
  delivery: word('Delivery', 'In receipts.', 'Delivery', 'Lieferung', 'التوصيل'),
  tax: word('Tax', 'In receipts.', 'Tax', 'Steuer', 'الضريبة'),
  taxWithin: word('Tax within', 'In receipts.', 'Includes tax', 'Darin enthaltene Steuer', 'تشمل ضريبة'),
  total: word('Total', 'In receipts.', 'Total', 'Gesamt', 'الإجمالي'),
  note: word('Note', 'Heading.', 'Your note', 'Deine Nachricht', 'ملاحظتك'),
  contact: word('Contact', 'Heading.', 'Contact', 'Kontakt', 'التواصل'),
  sendTo: word('Address', 'Heading.', 'Delivery address', 'Lieferadresse', 'عنوان التوصيل'),
  downloads: word('Downloads', 'Heading.', 'Your downloads', 'Deine Downloads', 'تنزيلاتك'),
  download: word('Download', 'The button.', 'Download', 'Herunterladen', 'تنزيل'),
  downloadLeft: word(
    'Downloads left',
    '{count} and {date} say how long.',
    'Can be downloaded {count, plural, one {# more time} other {# more times}}, until {date}',
    'Noch {count}-mal ladbar, bis {date}',
    'يمكن تنزيله {count} مرات أخرى حتى {date}',
  ),
  downloadOver: word(
    'No downloads left',
    'Instead of the link.',
    'This link is used up. Write to us and we will help.',
    'Dieser Link ist verbraucht. Schreib uns, wir helfen.',
    'انتهت صلاحية الرابط. راسلنا لنساعدك.',
  ),
  orderPage: word('Order page', 'Link in the mail.', 'See your order', 'Bestellung ansehen', 'عرض طلبك'),
  mailSubject: word(
    'Subject of the mail',
    '{shop} and {number} are facts.',
    'Your order {number} at {shop}',
    'Deine Bestellung {number} bei {shop}',
    'طلبك {number} من {shop}',
  ),

  sentSubject: word(
    'Subject: it is on its way',
    '{shop} and {number} are facts.',
    'Your order {number} from {shop} is on its way',
    'Deine Bestellung {number} bei {shop} ist unterwegs',
    'طلبك {number} من {shop} في الطريق',
  ),
  sentText: word(
    'Mail: it is on its way',
    '{name} is the buyer.',
    'Hello {name}, we have sent your order {number}.',
    'Hallo {name}, deine Bestellung {number} ist verschickt.',
    'مرحبًا {name}، أرسلنا طلبك {number}.',
  ),
  tracking: word(
    'Tracking',
    '{tracking} is the carrier’s.',
    'Tracking: {tracking}',
    'Sendungsnummer: {tracking}',
    'رقم التتبع: {tracking}',
  ),
  refundSubject: word(
    'Subject: refund',
    '{shop} and {number} are facts.',
    'Refund for your order {number} from {shop}',
    'Erstattung zu deiner Bestellung {number} bei {shop}',
    'استرداد مبلغ طلبك {number} من {shop}',
  ),
  refundText: word(
    'Mail: refund',
    '{amount} is the sum.',
    'Hello {name}, we have refunded {amount} for your order {number}.',
    'Hallo {name}, wir haben dir {amount} zu deiner Bestellung {number} erstattet.',
    'مرحبًا {name}، أعدنا إليك {amount} عن طلبك {number}.',
  ),
  addedSubject: word(
    'Subject: added to the order',
    '{shop} and {number} are facts.',
    'Added to your order {number} at {shop}',
    'Zu deiner Bestellung {number} bei {shop} hinzugefügt',
    'أُضيف إلى طلبك {number} من {shop}',
  ),
  addedText: word(
    'Mail: added to the order',
    '{what} was added, {amount} is the sum.',
    'Hello {name}, we have added {what} to your order {number} and charged {amount} to the same card. It comes with everything else.',
    'Hallo {name}, wir haben {what} zu deiner Bestellung {number} hinzugefügt und {amount} von derselben Karte abgebucht. Es kommt mit allem anderen.',
    'مرحبًا {name}، أضفنا {what} إلى طلبك {number} وخصمنا {amount} من البطاقة نفسها. سيصل مع بقية الطلب.',
  ),
  codeMail: word(
    'Mail: a code for next time',
    '{code} is the code.',
    'For your next order, this code is yours, once: {code}',
    'Für deine nächste Bestellung, einmal gültig: {code}',
    'لطلبك القادم هذا الرمز لك مرة واحدة: {code}',
  ),
  refunded: word('Refunded', 'On the order’s page.', 'Refunded', 'Erstattet', 'مبلغ مسترد'),
  sentOn: word('Sent on', '{date} is the day.', 'Sent on {date}', 'Verschickt am {date}', 'أُرسل بتاريخ {date}'),
  cancelled: word(
    'Cancelled',
    'On the order’s page.',
    'This order was cancelled.',
    'Diese Bestellung wurde storniert.',
    'أُلغي هذا الطلب.',
  ),

  quickPay: word('Pay now', 'Heading.', 'Pay now', 'Jetzt bezahlen', 'ادفع الآن'),
  quickPayNote: word(
    'About the wallet',
    'A notice.',
    'This wallet is a stand-in with a made-up holder. No money moves.',
    'Diese Geldbörse ist ein Platzhalter mit erfundenem Inhaber. Es fließt kein Geld.',
    'هذه المحفظة تجريبية ولصاحب وهمي. لا تُحوَّل أي أموال.',
  ),
  payWith: word('Pay with', 'Above the cards.', 'Pay with', 'Bezahlen mit', 'ادفع بـ'),
  pay: word('Pay button', '{amount} is the sum.', 'Pay {amount}', '{amount} bezahlen', 'ادفع {amount}'),
  itemsTotal: word(
    'Items and total',
    '{count} is how many.',
    '{count, plural, one {# item} other {# items}}, delivery and tax included',
    '{count, plural, one {# Artikel} other {# Artikel}}, inkl. Lieferung und Steuer',
    '{count} منتجات شاملة التوصيل والضريبة',
  ),
  backToCart: word('Back to the cart', 'A link.', 'Back to the cart', 'Zurück zum Warenkorb', 'العودة إلى السلة'),

  offline: word(
    'Offline',
    'A line on the page. {count} changes wait.',
    'You are offline. {count, plural, =0 {Pages cannot be loaded until you are back.} one {One change to your cart is kept and sent when you are back.} other {# changes to your cart are kept and sent when you are back.}}',
    'Du bist offline. {count, plural, =0 {Seiten laden erst wieder mit Verbindung.} one {Eine Änderung am Warenkorb wird nachgeholt.} other {# Änderungen am Warenkorb werden nachgeholt.}}',
    'أنت غير متصل. {count, plural, =0 {لا يمكن تحميل الصفحات الآن.} other {ستُرسل تغييرات السلة (#) عند عودة الاتصال.}}',
  ),
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
