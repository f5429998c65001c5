import { useState } from 'react';
import { words } from '../words';
import { Button } from './Button';
import { QrCode } from './QrCode';

/** A link that opens something for one person: to be scanned, read or copied, and passed on. */
export function LinkToPass({ link, about }: { link: string; about: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <div className="flex flex-wrap gap-5 rounded-xl border border-line bg-card p-4">
      <QrCode link={link} size={180} />
      <div className="flex min-w-0 flex-1 basis-64 flex-col gap-3">
        <p>{about}</p>
        <code data-testid="join-link" className="rounded bg-wash p-2 text-sm break-all">
          {link}
        </code>
        <Button
          className="self-start"
          onClick={() => void navigator.clipboard.writeText(link).then(() => setCopied(true))}
        >
          {copied ? words.people.copied : words.people.copy}
        </Button>
      </div>
    </div>
  );
}
