'use client';

interface FileLinkProps {
  /** What stands on the page. */
  readonly children: React.ReactNode;
  /** What the file is, for those who hear the page. */
  readonly label: string;
  /** Endings or types that are offered. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** A link that asks for a file; the same file may be chosen again. */
export function FileLink({ children, label, accept, onFile }: FileLinkProps) {
  return (
    <label className="link cursor-pointer focus-within:outline">
      {children}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </label>
  );
}
