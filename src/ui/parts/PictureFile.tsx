interface PictureFileProps {
  readonly label: string;
  /** Is choosing one the thing to do next? */
  readonly main: boolean;
  onPicture(picture: File): void;
}

/** Pictures of more bytes are not read. */
const mostBytes = 60e6;

/** Why a picture is not read for its size; undefined where it may be. */
export const pictureTooLarge = ({ name, size }: File): string | undefined =>
  size > mostBytes
    ? `${name} has ${Math.round(size / 1e6)} MB; up to ${mostBytes / 1e6} MB are read: save it smaller`
    : undefined;

/** A button that asks for a picture; the same one may be chosen again. */
export function PictureFile({ label, main, onPicture }: PictureFileProps) {
  return (
    <label className={main ? 'press main' : 'press'}>
      {label}
      <input
        type="file"
        accept="image/*"
        className="unseen"
        onChange={(event) => {
          const [picture] = event.target.files ?? [];
          event.target.value = '';
          if (picture) onPicture(picture);
        }}
      />
    </label>
  );
}
