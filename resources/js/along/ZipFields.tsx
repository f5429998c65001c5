import { FileButton } from '../ui/FileButton';
import { TextField } from '../ui/Field';
import { words } from '../words';
import { size } from '../words/format';
import type { Zip } from './useZip';

/** Which zip, and what it was locked with. */
export function ZipFields({ zip }: { zip: Zip }) {
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <FileButton
          label={words.along.choose}
          accept=".zip,application/zip"
          onFiles={([one]) => zip.choose(one ?? null)}
        />
        {zip.file !== null && (
          <span>
            {zip.file.name}, {size(zip.file.size)}
          </span>
        )}
      </div>
      <TextField
        label={words.along.password}
        hint={words.along.passwordHint}
        type="password"
        autoComplete="off"
        value={zip.password}
        onChange={(event) => {
          zip.setPassword(event.target.value);
          zip.look.reset();
        }}
      />
      {zip.look.isPending && (
        <p role="status">
          {zip.share === null ? words.along.looking : words.along.bringing({ percent: 100 * zip.share })}
          {zip.share !== null && <progress className="h-3 w-full accent-signal" value={zip.share} />}
        </p>
      )}
    </>
  );
}
