import { LONGEST_CSV } from '@zinc-pail/contract/limits';

interface FileFieldProps {
  label: string;
  /** endings and kinds that are offered */
  accept: string;
  className?: string;
  onFile(file: File): unknown;
}

/** A file to bring in. The same one may be chosen again, once it was put right. */
export function FileField({ label, accept, className = '', onFile }: FileFieldProps) {
  return (
    <label className={`flex flex-wrap items-center gap-2 ${className}`}>
      {label}{' '}
      <input
        type="file"
        accept={accept}
        className="file-input h-11"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) onFile(file);
          target.value = '';
        }}
      />
    </label>
  );
}

export const CSV = '.csv,text/csv,.txt,.tsv';

/** What to say of a table that is too long to be read at once; null where it is not. */
export function tooLongWords({ size }: Pick<File, 'size'>): string | null {
  return size > LONGEST_CSV
    ? `A table of up to ${LONGEST_CSV.toLocaleString('en')} characters is wanted; cut it in parts.`
    : null;
}
