import type { OptionsView } from '~/contract/studio/products';
import { checkOptionRules } from '~/core/options';
import { optionRulesSchema } from '~/core/options/option.schema';
import { fail, ok, type Problem, type Result } from '~/core/problems';
import type { App } from '~/services/app';

export async function showOptions(app: App, slug: string): Promise<OptionsView | null> {
  const rules = await app.catalogue.readOptions(slug);
  return rules && { rules, asked: await app.catalogue.withAddOns(rules) };
}

/** Replaces a product's options; rules that do not make sense are refused with the names involved, and change nothing. */
export async function saveOptions(
  app: App,
  slug: string,
  input: unknown,
  accountId: number,
): Promise<Result<OptionsView>> {
  const parsed = optionRulesSchema.safeParse(input);
  if (!parsed.success) {
    const problems = parsed.error.issues.map((issue): Problem => {
      const [index] = issue.path;
      const rule = Array.isArray(input) && typeof index === 'number' ? (input[index] as { label?: unknown }) : null;
      const name = typeof rule?.label === 'string' && rule.label ? `“${rule.label}”, ` : '';
      return {
        path: issue.path.map(String).join('.'),
        code: 'invalid',
        facts: { message: `${name}${String(issue.path.at(-1) ?? 'options')}: ${issue.message}.` },
      };
    });
    return { ok: false, problems };
  }
  const rules = parsed.data;
  const skus = rules.flatMap((rule) => (rule.kind === 'addOn' ? [rule.sku] : []));
  const known = await app.catalogue.knownSkus(skus);
  const problems = [
    ...checkOptionRules(rules),
    ...rules.flatMap((rule, i): Problem[] =>
      rule.kind === 'addOn' && !known.has(rule.sku)
        ? [{ path: `${i}.sku`, code: 'option-sku-unknown', facts: { label: rule.label, sku: rule.sku } }]
        : [],
    ),
  ];
  if (problems.length > 0) return { ok: false, problems };
  if ((await app.catalogue.readOptions(slug)) === null) return fail('slug', 'not-found');
  await app.db.inTransaction(async () => {
    await app.catalogue.writeOptions(slug, rules);
    await app.audit.write({ at: app.now(), accountId, action: 'edit-options', facts: { slug } });
  });
  return ok({ rules, asked: await app.catalogue.withAddOns(rules) });
}
