import { expect } from 'chai';
import { meantEmail } from '~/pieces/checkout/meant-email';

describe('an e-mail with a slip', () => {
  it('is asked about where a well-known host was likely meant, and nowhere else', () => {
    const meant = {
      'ada@gmial.com': 'ada@gmail.com',
      ' ada@gmail.con ': 'ada@gmail.com',
      'x@gmxx.de': 'x@gmx.de',
      'jo@yaho.co.uk': 'jo@yahoo.co.uk',
      'x@t-onlin.de': 'x@t-online.de',
    };
    for (const [typed, wanted] of Object.entries(meant)) expect(meantEmail(typed), typed).to.equal(wanted);
    const right = [
      'ada@example.com',
      'x@web.de',
      'x@mail.com',
      'ada@lake.org',
      'loft@hollowtarn.example',
      'nobody',
      '',
    ];
    for (const typed of right) expect(meantEmail(typed), typed).to.equal(null);
  });
});
