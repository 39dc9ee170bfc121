/** @jsxImportSource preact */
import type { ComponentType, VNode } from 'preact';
import { useEffect, useState } from 'preact/hooks';

/** What is not needed at once, fetched when it is shown; `html` stands there until then, as the server drew it. */
export function Later<Props extends object>({
  load,
  with: props,
  html,
}: {
  readonly load: () => Promise<{ readonly View: ComponentType<Props> }>;
  readonly with: Props;
  readonly html?: string;
}): VNode | null {
  const [View, setView] = useState<ComponentType<Props> | null>(null);
  useEffect(() => {
    void load().then((found) => setView(() => found.View));
  }, []);
  if (View) return <View {...props} />;
  return html ? <div dangerouslySetInnerHTML={{ __html: html }} /> : null;
}
