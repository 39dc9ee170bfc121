import { ask } from '~/studio/data/api';
import { FileIntoDraft } from '~/studio/publish/file-into-draft';

/** The whole configuration as a file, out and in. */
export function Configuration() {
  return (
    <section className="mt-6">
      <h2>Configuration as a file</h2>
      <p className="mb-3 text-gravel">
        Pieces, offers, theme, words and settings, without the catalogue and orders, to keep or to take to another shop.
      </p>
      <div className="flex flex-wrap gap-2">
        <a className="btn" href="/api/studio/configuration?of=draft" download>
          Export the draft
        </a>
        <a className="btn" href="/api/studio/configuration?of=live" download>
          Export what is live
        </a>
        <FileIntoDraft
          label="Import a file …"
          name="Configuration file"
          accept=".json,application/json"
          check={async (file) => {
            const { changes, misfits } = await ask('POST /api/studio/configuration/check', { form: { file } });
            return { changes, notes: [{ heading: 'Does not fit this shop', lines: misfits }] };
          }}
          take={(file, edit) => ask('POST /api/studio/configuration', { form: { file, options: { edit } } })}
          said="The configuration is in the draft now. Publish it to make it live."
        />
      </div>
    </section>
  );
}
