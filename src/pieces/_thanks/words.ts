import { say } from '~/core/words';

/** What shoppers read on the page that thanks them, beside the words of every order. */
export const thanksWords = {
  offerTitle: {
    label: 'Heading of the offer',
    help: 'Above what can be added.',
    part: 'offer',
    default: say('Add this before we pack', 'Noch dazu, bevor wir packen', 'أضف هذا قبل أن نعبئ'),
  },
  offerText: {
    label: 'About the offer',
    help: '{time} is when it ends.',
    part: 'offer',
    default: say(
      'It comes in the same parcel, and nothing more has to be typed. Until {time}.',
      'Es kommt im selben Paket, und du musst nichts mehr eingeben. Bis {time}.',
      'يصل في الطرد نفسه دون إدخال أي شيء. حتى {time}.',
    ),
  },
  offerButton: {
    label: 'Button of the offer',
    help: '{price} is what is charged to the same card.',
    part: 'offer',
    default: say('Add it for {price}', 'Für {price} dazu', 'أضفه مقابل {price}'),
  },
  offerLeft: {
    label: 'Time that is left',
    help: '{time} runs down second by second.',
    part: 'offer',
    default: say('{time} left', 'Noch {time}', 'بقي {time}'),
  },
  offerNo: {
    label: 'Button: no',
    help: 'Closes the popup; the offer stands in the page until it is over.',
    part: 'offer',
    default: say('No, thank you', 'Nein, danke', 'لا، شكرًا'),
  },
  offerDone: {
    label: 'Once it is added',
    help: '{price} was charged.',
    part: 'offer',
    default: say(
      'Added to your order. {price} was charged to the same card.',
      'Zu deiner Bestellung hinzugefügt. {price} wurden von derselben Karte abgebucht.',
      'أُضيف إلى طلبك. خُصم {price} من البطاقة نفسها.',
    ),
  },
  next: {
    label: 'What happens next',
    help: 'An empty line begins a paragraph; **bold**, *italic*, - lists, [links](address).',
    part: 'next',
    isRich: true,
    default: say(
      '**What happens next.** We pack your order and write to you when it is on its way.',
      '**Wie es weitergeht.** Wir packen deine Bestellung und schreiben dir, sobald sie unterwegs ist.',
      '**ماذا بعد؟** نعبئ طلبك ونراسلك حين يصبح في الطريق.',
    ),
  },
  message: {
    label: 'Message',
    help: 'Beside the picture. An empty line begins a paragraph; **bold**, *italic*, - lists, [links](address).',
    part: 'message',
    isRich: true,
    default: say('Fair winds!', 'Guten Wind!', 'رياحًا طيبة!'),
  },
  reorderTitle: {
    label: 'Heading',
    help: 'Above ordering the same again.',
    part: 'reorder',
    default: say('The same again?', 'Dasselbe noch einmal?', 'الطلب نفسه مرة أخرى؟'),
  },
  reorderOff: {
    label: 'What it takes off',
    help: 'Where an offer is chosen for it; {off} is what that takes off.',
    part: 'reorder',
    default: say('With {off} off.', 'Mit {off} Nachlass.', 'بخصم {off}.'),
  },
  reorderButton: {
    label: 'Button',
    help: 'Puts the order into the cart again, with its discount or code. The mail has a link of this name.',
    part: 'reorder',
    default: say('Order again', 'Noch einmal bestellen', 'اطلب مرة أخرى'),
  },
  couponTitle: {
    label: 'Heading',
    help: 'Above the code.',
    part: 'coupon',
    default: say('For your next order', 'Für deine nächste Bestellung', 'لطلبك القادم'),
  },
  couponText: {
    label: 'About the code',
    help: 'Below it.',
    part: 'coupon',
    default: say(
      'It is yours alone, works once, and is in your mail, too.',
      'Er gehört nur dir, gilt einmal und steht auch in deiner Mail.',
      'هذا الرمز لك وحدك ويعمل مرة واحدة، وهو في بريدك أيضًا.',
    ),
  },
  birthdayTitle: {
    label: 'Question',
    help: 'Asked of each shopper once, whatever they answer.',
    part: 'birthday',
    default: say('When is your birthday?', 'Wann hast du Geburtstag?', 'متى عيد ميلادك؟'),
  },
  birthdayText: {
    label: 'What you keep it for',
    help: 'They agree to this by answering.',
    part: 'birthday',
    default: say(
      'Day and month, no year. We keep it to make you an offer around that day, and for nothing else. Write to us and we erase it.',
      'Tag und Monat, kein Jahr. Wir merken es uns für ein Angebot um diesen Tag, sonst für nichts. Schreib uns, und wir löschen es.',
      'اليوم والشهر دون السنة. نحفظه لنقدم لك عرضًا في ذلك اليوم لا غير. راسلنا لنمحوه.',
    ),
  },
  birthdayYes: {
    label: 'Button: yes',
    help: 'Keeps it.',
    part: 'birthday',
    default: say('Keep my birthday', 'Geburtstag merken', 'احفظ عيد ميلادي'),
  },
  birthdayNo: {
    label: 'Button: no',
    help: 'Never asked again.',
    part: 'birthday',
    default: say('I would rather not say', 'Möchte ich nicht sagen', 'أفضل ألا أقول'),
  },
  shareTitle: {
    label: 'Heading',
    help: 'Above the ways to tell others.',
    part: 'share',
    default: say('Know somebody who would like it?', 'Kennst du jemanden, dem es gefiele?', 'تعرف من قد يعجبه هذا؟'),
  },
  shareButton: {
    label: 'Link',
    help: 'Writes a mail with the address of what was bought.',
    part: 'share',
    default: say('Tell them by mail', 'Per Mail erzählen', 'أخبرهم بالبريد'),
  },
  voicesTitle: {
    label: 'Heading',
    help: 'Above a few words of buyers.',
    part: 'voices',
    default: say('What others say of it', 'Was andere dazu sagen', 'ما يقوله الآخرون'),
  },
} as const;
