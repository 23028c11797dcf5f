import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';

interface Props {
    label: string;
    accept: string;
    onFile: (file: File) => void;
    busy?: boolean;
}

/** A file by choosing or by dropping. */
export function FileDrop({ label, accept, onFile, busy }: Props) {
    const input = useRef<HTMLInputElement>(null);
    const [over, setOver] = useState(false);
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
                const file = e.dataTransfer.files[0];
                if (file) {
                    onFile(file);
                }
            }}
        >
            <Upload className="size-6" aria-hidden="true" />
            {busy ? 'Reading…' : label}
            <input
                ref={input}
                type="file"
                accept={accept}
                aria-label={label}
                className="hidden"
                onChange={(e) => {
                    const file = e.target.files?.[0];
                    e.target.value = '';
                    if (file) {
                        onFile(file);
                    }
                }}
            />
        </button>
    );
}
