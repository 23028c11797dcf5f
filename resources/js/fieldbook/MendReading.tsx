import { useState } from 'react';
import { api, ask, type Schemas } from '../api/client';
import { useDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { LengthField, NumberField, TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';

/** Says what the target of a reading really was. The reading stays; what hangs on it is proposed anew in “Set up”. */
export function MendReading({ project, reading }: { project: number; reading: Schemas['ObservationEntry'] }) {
    const [open, setOpen] = useState(false);
    const [height, setHeight] = useState<number | null>(reading.targetHeight);
    const [constant, setConstant] = useState(1000 * reading.prismConstant);
    const [note, setNote] = useState('');
    const [alike, setAlike] = useState(false);
    const mend = useDeed(project, () =>
        ask(
            api.POST('/api/v1/projects/{project}/corrections', {
                params: { path: { project } },
                body: { observationId: reading.id, targetHeight: height ?? 0, prismConstant: constant / 1000, note, alike },
            }),
        ),
    );
    if (mend.data) {
        return (
            <p className="font-sans" role="status">
                {mend.data.count} {mend.data.count === 1 ? 'reading is' : 'readings are'} mended. What would change is shown in “Set up”.
            </p>
        );
    }
    if (!open) {
        return (
            <div className="font-sans">
                <Button onClick={() => setOpen(true)}>Mend its target height or constant</Button>
            </div>
        );
    }
    return (
        <form className="grid max-w-xl grid-cols-2 gap-3 font-sans" onSubmit={(e) => e.preventDefault()}>
            <LengthField label="The target height really was" value={height} onValue={setHeight} />
            <NumberField label="The prism constant really was" unit="mm" value={constant} onValue={setConstant} />
            <div className="col-span-2">
                <TextField label="Why" value={note} onValue={setNote} />
                <CheckBox label="All readings with the same target of this run as well" checked={alike} onChecked={setAlike} />
            </div>
            <Button onClick={() => setOpen(false)}>Cancel</Button>
            <Button disabled={note.trim() === '' || height === null} busy={mend.isPending} onClick={() => mend.mutate()}>
                Mend it
            </Button>
            <div className="col-span-2">
                <Failure of={mend.error} />
            </div>
        </form>
    );
}
