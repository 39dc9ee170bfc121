declare module 'gettext-parser' {
  export interface GetTextTranslation {
    readonly msgctxt?: string;
    readonly msgid: string;
    readonly msgstr: readonly string[];
    readonly comments?: { readonly extracted?: string; readonly reference?: string };
  }
  export interface GetTextTranslations {
    readonly charset: string;
    readonly headers: Readonly<Record<string, string>>;
    readonly translations: Readonly<Record<string, Readonly<Record<string, GetTextTranslation>>>>;
  }
  export const po: {
    parse(input: string): GetTextTranslations;
    compile(table: GetTextTranslations, options?: { readonly foldLength?: number }): Uint8Array;
  };
}
