import { Segmented } from './segmented';

interface Props {
  readonly languages: readonly string[];
  readonly value: string;
  readonly onChange: (language: string) => void;
}

/** Which language is written; nothing to choose where there is one. */
export function LanguageChoice({ languages, value, onChange }: Props) {
  if (languages.length < 2) return null;
  const names = new Intl.DisplayNames(['en'], { type: 'language' });
  const options = Object.fromEntries(languages.map((code) => [code, names.of(code) ?? code]));
  return <Segmented label="Language" options={options} value={value} onChange={onChange} />;
}
