import { importOptionsSchema } from '~/contract/studio/imports';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { importCatalogue } from './import-catalogue';

/** A few products to try things on before one's own are there. Their pictures ship with the app. */
const EXAMPLES = `Name,SKU,Price,Price before,Stock,Weight,choice: Size,choice: Colour,attribute: Material,Category,Tags,Short text,Description,Pictures
Example Delta,EX-DELTA-S,49.00,,12,420,Small,,Ripstop nylon,Kites,"first kite, gift","Flies in a light breeze.","Up in a minute, and steady while you find your feet. Line included.",/examples/delta-harbour.svg /examples/delta-ember.svg
,EX-DELTA-L,69.00,79.00,3,610,Large,,,,,,,
Example Diamond,EX-DIAMOND,24.50,,0,260,,,Cotton,Kites,children,"The one children draw.","A cotton diamond with a long tail. Sold out here on purpose: see what shoppers see then.",/examples/diamond.svg
Example Sled,EX-SLED-R,14.00,,40,120,,Red,Paper,Kites,"children, gift","Folds into a pocket.","No spars, nothing to break.",/examples/sled.svg
,EX-SLED-B,14.00,,25,120,,Blue,,,,,,
Example Winder,EX-WINDER,9.80,,60,180,,,Beech,Gear,gift,"Winds in fast.","Turned from one piece of beech.",/examples/winder.svg
Example Line 40 kg,EX-LINE,7.50,,80,90,,,Polyester,Gear,,"50 metres.","Sleeved at both ends.",/examples/line.svg
Example Kite Bag,EX-BAG,32.00,,9,700,,,Canvas,Gear,gift,"Room for three kites.","With a strap, and a pocket for lines.",/examples/bag.svg
`;

/** Puts the examples into an empty catalogue. */
export async function addExamples(app: App, accountId: number): Promise<Result<{ products: number }>> {
  if ((await app.catalogue.countAll()) > 0) return fail('', 'catalogue-not-empty');
  const options = importOptionsSchema.parse({ allOrNothing: true });
  const imported = await importCatalogue(app, new TextEncoder().encode(EXAMPLES), options, { accountId });
  if (!imported.ok) return imported;
  return ok({ products: await app.catalogue.markExamples('EX-') });
}

/** Removes the examples and the categories that held nothing else. Orders of them stay as they are. */
export async function removeExamples(app: App, accountId: number): Promise<{ products: number }> {
  return app.db.inTransaction(async () => {
    const products = await app.catalogue.deleteExamples();
    await app.audit.write({ at: app.now(), accountId, action: 'remove-examples', facts: { products } });
    return { products };
  });
}
