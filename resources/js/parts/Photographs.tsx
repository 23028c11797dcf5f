import { Camera, Trash2 } from 'lucide-react';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import { api, ask, newKey, type Schemas, upload } from '../api/client';
import { useDayDeed, usePhotographs } from '../api/hooks';
import { Button } from './Button';
import { Dialog } from './Dialog';
import { TextField } from './Field';
import { Failure } from './Notice';
import { smaller } from './smaller';

type Photograph = Schemas['PhotographEntry'];

interface Props {
    project: number;
    /** the reading that they were taken at */
    observation: number;
    /** a picture may be added */
    adding?: boolean;
}

/** Pictures that were taken at a shot; looked at, added, taken away. */
export function Photographs({ project, observation, adding = false }: Props) {
    const all = usePhotographs(project).data;
    const those = useMemo(() => (all ?? []).filter((p) => p.observationId === observation), [all, observation]);
    const [shown, setShown] = useState<Photograph | null>(null);
    if (those.length === 0 && !adding) {
        return null;
    }
    return (
        <div className="flex flex-wrap items-center gap-2">
            {those.map((p) => (
                <button key={p.id} type="button" className="min-h-12 border border-ink/50" onClick={() => setShown(p)}>
                    <img src={p.file} alt={p.caption || 'Photograph'} className="h-16 w-auto" loading="lazy" />
                </button>
            ))}
            {adding && <Add project={project} observation={observation} />}
            <Dialog open={shown !== null} onClose={() => setShown(null)} title={shown?.caption || 'Photograph'}>
                {shown && <Shown project={project} of={shown} onGone={() => setShown(null)} />}
            </Dialog>
        </div>
    );
}

function Shown({ project, of, onGone }: { project: number; of: Photograph; onGone: () => void }) {
    const [sure, setSure] = useState(false);
    const forget = useDayDeed(project, () =>
        ask(api.DELETE('/api/v1/projects/{project}/photographs/{photograph}', { params: { path: { project, photograph: of.id } } })),
    );
    return (
        <div className="grid gap-3">
            <img src={of.file} alt={of.caption || 'Photograph'} className="max-h-[60dvh] w-full object-contain" />
            <Failure of={forget.error} />
            <div className="flex flex-wrap justify-end gap-3">
                <Button
                    busy={forget.isPending}
                    icon={<Trash2 />}
                    onClick={() => (sure ? forget.mutate(undefined, { onSuccess: onGone }) : setSure(true))}
                >
                    {sure ? 'Take it away for good' : 'Take it away'}
                </Button>
            </div>
        </div>
    );
}

function Add({ project, observation }: { project: number; observation: number }) {
    const input = useRef<HTMLInputElement>(null);
    const id = useId();
    const [file, setFile] = useState<File | null>(null);
    return (
        <>
            <Button icon={<Camera />} onClick={() => input.current?.click()}>
                Add a photograph
            </Button>
            <input
                ref={input}
                id={id}
                type="file"
                accept="image/jpeg,image/png"
                capture="environment"
                aria-label="Photograph of this shot"
                className="hidden"
                onChange={(e) => {
                    setFile(e.target.files?.[0] ?? null);
                    e.target.value = '';
                }}
            />
            <Dialog open={file !== null} onClose={() => setFile(null)} title="Photograph of this shot">
                {file && <Keep project={project} observation={observation} file={file} onKept={() => setFile(null)} />}
            </Dialog>
        </>
    );
}

function Keep({ project, observation, file, onKept }: { project: number; observation: number; file: File; onKept: () => void }) {
    const [caption, setCaption] = useState('');
    const url = useObjectUrl(file);
    // Sent again after a lost answer it is the same picture.
    const key = useRef(newKey());
    const keep = useDayDeed(project, async () => {
        const sent = await upload(project, await smaller(file));
        return ask(
            api.POST('/api/v1/projects/{project}/photographs', {
                params: { path: { project } },
                body: { key: key.current, observationId: observation, upload: sent.upload, caption },
            }),
        );
    });
    return (
        <div className="grid gap-3">
            {url && <img src={url} alt="As it will be kept" className="max-h-[45dvh] w-full object-contain" />}
            <TextField label="What it shows" value={caption} onValue={setCaption} maxLength={200} hint="stands below it in the report" />
            <Failure of={keep.error} />
            <div className="flex justify-end">
                <Button
                    kind="primary"
                    className="min-h-16"
                    busy={keep.isPending}
                    onClick={() => keep.mutate(undefined, { onSuccess: onKept })}
                >
                    Keep the photograph
                </Button>
            </div>
        </div>
    );
}

function useObjectUrl(file: File): string | null {
    const [url, setUrl] = useState<string | null>(null);
    useEffect(() => {
        const made = URL.createObjectURL(file);
        setUrl(made);
        return () => URL.revokeObjectURL(made);
    }, [file]);
    return url;
}
