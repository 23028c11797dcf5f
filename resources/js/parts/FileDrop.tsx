import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';

interface Props {
    label: string;
    accept: string;
    /** at least one */
    onFiles: (files: File[]) => void;
    /** those that belong together are chosen together */
    several?: boolean;
    busy?: boolean;
}

/** A file, or several that belong together, by choosing or by dropping. */
export function FileDrop({ label, accept, onFiles, several, busy }: Props) {
    const input = useRef<HTMLInputElement>(null);
    const [over, setOver] = useState(false);
    const take = (list: FileList | null) => {
        const files = [...(list ?? [])];
        if (files.length > 0) {
            onFiles(several ? files : files.slice(0, 1));
        }
    };
    return (
        <button
            type="button"
            aria-busy={busy}
            disabled={busy}
            className={`flex min-h-20 w-full cursor-pointer items-center justify-center gap-3 border-2 border-dashed px-4 text-center ${over ? 'border-chalk bg-wash' : 'border-ink/40'}`}
            onClick={() => input.current?.click()}
            onDragOver={(e) => {
                e.preventDefault();
                setOver(true);
            }}
            onDragLeave={() => setOver(false)}
            onDrop={(e) => {
                e.preventDefault();
                setOver(false);
                take(e.dataTransfer.files);
            }}
        >
            <Upload className="size-6 shrink-0" aria-hidden="true" />
            {busy ? 'Reading…' : label}
            <input
                ref={input}
                type="file"
                accept={accept}
                multiple={several}
                aria-label={label}
                className="hidden"
                onChange={(e) => {
                    take(e.target.files);
                    e.target.value = '';
                }}
            />
        </button>
    );
}
