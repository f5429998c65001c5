import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { base64 } from '../api/bytes';
import { certificatesQuery, groupPicture } from '../api/awards';
import { call, type Schemas } from '../api/client';
import * as limits from '../api/limits';
import { queryClient } from '../api/queries';
import { Button } from '../ui/Button';
import { AreaField } from '../ui/Field';
import { FileButton } from '../ui/FileButton';
import { Sheet } from '../ui/Sheet';
import { Failure, Faults, Loading } from '../ui/states';
import { words } from '../words';
import { COLOURS } from './print';

/** The group's own words, colour and picture. */
export function CertificateLook({ onClose }: { onClose: () => void }) {
  const look = useQuery(certificatesQuery([]));
  return (
    <Sheet open onClose={onClose} title={words.awards.look} about={words.awards.lookAbout}>
      {look.isPending && <Loading />}
      {look.isError && <Failure error={look.error} retry={() => void look.refetch()} />}
      {look.data && <Form look={look.data} onClose={onClose} />}
    </Sheet>
  );
}

const again = (): void => void queryClient.invalidateQueries({ queryKey: ['awards', 'certificates'] });

function Form({ look, onClose }: { look: Schemas['Certificates']; onClose: () => void }) {
  const [text, setText] = useState(look.words ?? '');
  const [colour, setColour] = useState(look.colour ?? limits.usual_ink);
  const [tooLarge, setTooLarge] = useState(false);
  const save = useMutation({
    mutationFn: () => call('PUT', '/api/certificate', { body: { words: text === '' ? null : text, colour } }),
    onSuccess: () => {
      again();
      onClose();
    },
  });
  const picture = useMutation({
    mutationFn: (bytes: string | null) =>
      bytes === null
        ? call('DELETE', '/api/certificate/picture')
        : call('PUT', '/api/certificate/picture', { body: { bytes } }),
    onSuccess: again,
  });
  const send = async (file: File): Promise<void> => {
    const bytes = await base64(file);
    const most = limits.putCertificatePicture.bytes.maxLength;
    setTooLarge(bytes.length > most);
    if (bytes.length <= most) picture.mutate(bytes);
  };
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <Faults error={save.error ?? picture.error} />
      {tooLarge && (
        <p role="alert" className="font-semibold text-notyet">
          {words.awards.pictureTooLarge}
        </p>
      )}
      <AreaField
        label={words.awards.lookWords}
        hint={words.awards.lookWordsHint({ badge: words.awards.usualWords })}
        rows={3}
        {...limits.changeCertificate.words}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <fieldset>
        <legend className="mb-1 font-semibold">{words.awards.colour}</legend>
        <div className="flex flex-wrap items-center gap-2">
          {COLOURS.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={colour === one}
              aria-label={one}
              onClick={() => setColour(one)}
              className="size-12 rounded-full border-4 border-card outline-2 outline-line aria-pressed:outline-4 aria-pressed:outline-ink"
              style={{ backgroundColor: one }}
            />
          ))}
          <input
            type="color"
            aria-label={words.awards.colour}
            className="h-12 w-16 rounded-lg border border-line bg-card"
            value={colour}
            onChange={(event) => setColour(event.target.value)}
          />
        </div>
      </fieldset>
      <div>
        <p className="font-semibold">{words.awards.picture}</p>
        <p className="mb-2 text-sm text-soft">{words.awards.pictureHint}</p>
        <div className="flex flex-wrap items-center gap-3">
          {look.picture !== null && (
            <img
              src={groupPicture(look.picture)}
              alt={words.awards.picture}
              className="max-h-24 max-w-48 rounded border border-line bg-white"
            />
          )}
          <FileButton
            label={words.awards.pictureAdd}
            accept="image/png,image/jpeg,image/svg+xml"
            onFiles={([file]) => file && void send(file)}
          />
          {look.picture !== null && (
            <Button look="quiet" disabled={picture.isPending} onClick={() => picture.mutate(null)}>
              {words.awards.pictureRemove}
            </Button>
          )}
        </div>
      </div>
      <Button look="signal" type="submit" disabled={save.isPending}>
        {words.save}
      </Button>
    </form>
  );
}
