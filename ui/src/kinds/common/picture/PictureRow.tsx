import { useChanged } from '../../../api/changed';
import { useMutation } from '@tanstack/react-query';
import { type ReactNode, use } from 'react';
import { errorWords, type Schema } from '../../../api/client';
import { FileButton } from '../../../parts/fields/FileButton';
import { type Medium, MediaContext } from '../../../parts/text/media';
import { named } from '../../../parts/text/named';
import { Row } from '../../../parts/PageAndMargin';
import { largest } from '../../facts.gen';
import { inMegabytes, takeFile } from './files';
import { LineNotes } from '../lines/LineNotes';
import { TakenOut } from './TakenOut';

type Picture = Schema['Picture'];

interface Props {
  picture: Picture;
  readOnly: boolean;
  onPicture: (picture: Picture) => void;
  bank: number;
  children: (medium: Medium) => ReactNode;
  margin?: ReactNode;
}

/** The picture of a question: chosen from the bank or from the disk, with what it shows. */
export function PictureRow({ picture, readOnly, onPicture, bank, children, margin }: Props) {
  const media = use(MediaContext);
  const changed = useChanged();
  const medium = named(media, picture.file);
  const choose = (chosen: Medium) =>
    onPicture({
      shows: picture.shows,
      file: chosen.name,
      ...(chosen.width && chosen.height && { width: chosen.width, height: chosen.height }),
    });
  const take = useMutation({
    mutationFn: (file: File) => takeFile(bank, file),
    onSuccess: (taken) => {
      void changed('media', bank);
      choose(taken);
    },
  });
  const pictures = Object.values(media).filter((m) => m.type.startsWith('image/'));
  return (
    <Row
      line
      page={
        <>
          {medium ? (
            children(medium)
          ) : picture.file !== '' ? (
            <p className="notice">The picture “{picture.file}” is not in the bank. Choose its file, and what is drawn on it stays.</p>
          ) : (
            <p className="text-soft">No picture yet.</p>
          )}
          {!readOnly && (
            <p className="pt-2">
              <FileButton
                words={picture.file === '' ? 'Choose a picture' : 'another picture'}
                label="Picture file"
                accept="image/*,.svg"
                disabled={take.isPending}
                onFile={(file) => take.mutate(file)}
              />
              {pictures.length > 0 && (
                <label className="ml-4">
                  or one of the bank:{' '}
                  <select
                    className="field py-0.5!"
                    aria-label="Picture of the bank"
                    value={medium?.name ?? ''}
                    onChange={(e) => {
                      const chosen = media[e.target.value];
                      if (chosen) choose(chosen);
                    }}
                  >
                    <option value="">–</option>
                    {pictures.map((p) => (
                      <option key={p.name}>{p.name}</option>
                    ))}
                  </select>
                </label>
              )}{' '}
              <span className="text-quiet">PNG, JPEG, GIF, WebP or SVG, up to {inMegabytes(largest.picture)}</span>
            </p>
          )}
          {take.data && <TakenOut medium={take.data} />}
          {take.error && (
            <p className="notice" role="alert">
              {errorWords(take.error)}
            </p>
          )}
        </>
      }
      margin={
        <>
          <label>
            shows{' '}
            <textarea
              className="say"
              rows={1}
              aria-label="What the picture shows"
              placeholder="for those who cannot see it: say it in a sentence"
              readOnly={readOnly}
              value={picture.shows}
              onChange={(e) => onPicture({ ...picture, shows: e.target.value })}
            />
          </label>
          {medium?.width && (
            <p className="text-quiet">
              <span className="fig">
                {medium.width} × {medium.height}
              </span>{' '}
              pixels, origin top left
            </p>
          )}
          {margin}
          <LineNotes where="picture" />
        </>
      }
    />
  );
}
