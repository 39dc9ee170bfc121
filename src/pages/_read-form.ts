/** A form as it was posted; null for what is none, or holds what no field can (a NUL byte). */
export async function readForm(request: Request): Promise<FormData | null> {
  const form = await request.formData().catch(() => null);
  for (const [name, value] of form ?? [])
    if (name.includes('\0') || (typeof value === 'string' && value.includes('\0'))) return null;
  return form;
}

/** The answer of a page to a form that cannot be read. */
export function unreadableForm(): Response {
  return new Response('That form could not be read. Go back and send it again.\n', {
    status: 400,
    headers: { 'content-type': 'text/plain; charset=utf-8' },
  });
}
