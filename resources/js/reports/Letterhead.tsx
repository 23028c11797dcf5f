import { Stamp } from 'lucide-react';
import { useState } from 'react';
import { api, ask, type Schemas, upload } from '../api/client';
import { useDayDeed, useLetterhead } from '../api/hooks';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { Choice, Labelled, TextField } from '../parts/Field';
import { FileDrop } from '../parts/FileDrop';
import { NextStep } from '../parts/NextStep';
import { Failure } from '../parts/Notice';

type Head = Schemas['LetterheadEntry'];

/** Who hands over, and on which paper: at the head of all that is printed. */
export function Letterhead({ project, onChanged }: { project: number; onChanged: () => void }) {
    const [open, setOpen] = useState(false);
    const kept = useLetterhead(project);
    return (
        <>
            <Button onClick={() => setOpen(true)} icon={<Stamp />} aria-haspopup="dialog">
                Letterhead and paper
            </Button>
            <Dialog open={open} onClose={() => setOpen(false)} title="Letterhead and paper">
                <Failure of={kept.error} />
                {kept.data && (
                    <Fields
                        project={project}
                        kept={kept.data}
                        onKept={() => {
                            setOpen(false);
                            onChanged();
                        }}
                    />
                )}
            </Dialog>
        </>
    );
}

function Fields({ project, kept, onKept }: { project: number; kept: Head; onKept: () => void }) {
    const [firm, setFirm] = useState(kept.firm);
    const [address, setAddress] = useState(kept.address);
    const [paper, setPaper] = useState<Head['paper']>(kept.paper);
    // null leaves the picture as it is, false takes it away.
    const [logo, setLogo] = useState<File | null | false>(null);
    const keep = useDayDeed(project, async () => {
        const sent = logo ? (await upload(project, logo)).upload : logo === false ? '' : null;
        return ask(
            api.PUT('/api/v1/projects/{project}/letterhead', {
                params: { path: { project } },
                body: { firm, address, paper, logo: sent, seen: { firm: kept.firm, address: kept.address, paper: kept.paper } },
            }),
        );
    });
    return (
        <div className="grid gap-3">
            <TextField label="Firm" value={firm} onValue={setFirm} maxLength={100} />
            <Labelled label="Address" hint="up to six lines">
                {(id) => (
                    <textarea
                        id={id}
                        className="block min-h-24 w-full rounded-sm border-[length:var(--stroke)] border-ink/50 bg-sheet p-2 text-base text-ink"
                        value={address}
                        onChange={(e) => setAddress(e.target.value)}
                    />
                )}
            </Labelled>
            <Choice
                label="Paper"
                value={paper}
                onValue={setPaper}
                options={[
                    ['a4', 'A4, 210 by 297 mm'],
                    ['letter', 'Letter, 8½ by 11 in'],
                ]}
            />
            {kept.logo !== '' && logo === null ? (
                <div className="flex flex-wrap items-center gap-3">
                    <img src={kept.logo} alt="Logo as it is printed" className="max-h-16 max-w-60 border border-rule bg-white" />
                    <Button onClick={() => setLogo(false)}>Take the logo away</Button>
                </div>
            ) : (
                <FileDrop
                    label={logo ? `Logo: ${logo.name}` : 'Choose or drop a logo (PNG or JPEG)'}
                    accept=".png,.jpg,.jpeg,image/png,image/jpeg"
                    onFiles={([file]) => setLogo(file ?? null)}
                />
            )}
            <p className="text-sm text-quiet">Reports that were issued keep the head they had.</p>
            <Failure of={keep.error} />
            <NextStep>
                <Button kind="primary" busy={keep.isPending} onClick={() => keep.mutate(undefined, { onSuccess: onKept })}>
                    Keep the letterhead
                </Button>
            </NextStep>
        </div>
    );
}
