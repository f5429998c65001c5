/** A button that asks for a file, or for several; the same file twice is asked for twice. */
export function FileButton({
  label,
  accept,
  several = false,
  onFiles,
}: {
  label: string;
  accept: string;
  several?: boolean;
  onFiles: (files: File[]) => void;
}) {
  return (
    <label className="inline-flex min-h-12 cursor-pointer items-center self-start rounded-lg border border-line bg-card px-4 font-semibold hover:bg-wash focus-within:outline-2">
      {label}
      <input
        type="file"
        accept={accept}
        multiple={several}
        className="sr-only"
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          if (files.length > 0) onFiles(files);
          event.target.value = '';
        }}
      />
    </label>
  );
}
