import { useState } from 'react';
import type { Mark } from '../api/client';
import { useStrike } from '../api/hooks';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';
import { bookTime } from '../units/times';

/** Who strikes, as it was typed last on this device. */
const NAME = 'who';

/** A mark is struck through with a reason, or its strike is taken back; the reading stays as it is. */
export function StrikeMark({ project, mark }: { project: number; mark: Mark }) {
    const [open, setOpen] = useState(false);
    const [reason, setReason] = useState('');
    const [by, setBy] = useState(() => localStorage.getItem(NAME) ?? '');
    const strike = useStrike(project);
    const struck = mark.strike?.struck === true;
    const send = () => {
        localStorage.setItem(NAME, by.trim());
        strike.mutate(
            { mark: mark.id, struck: !struck, reason: reason.trim(), by: by.trim() },
            {
                onSuccess: () => {
                    setOpen(false);
                    setReason('');
                },
            },
        );
    };
    return (
        <div className="grid max-w-xl gap-2 font-sans">
            {mark.strike && (
                <p>
                    {struck ? 'Struck' : 'Strike taken back'} {bookTime(mark.strike.at)}
                    {mark.strike.by && ` by ${mark.strike.by}`}: {mark.strike.reason}
                </p>
            )}
            {open ? (
                <form className="grid gap-3" onSubmit={(e) => e.preventDefault()}>
                    <TextField label="Why" value={reason} onValue={setReason} />
                    <TextField label="By" value={by} onValue={setBy} hint="may stay empty" />
                    <div className="flex gap-2">
                        <Button onClick={() => setOpen(false)}>Cancel</Button>
                        <Button disabled={reason.trim() === ''} busy={strike.isPending} onClick={send}>
                            {struck ? 'Let it count again' : 'Strike it'}
                        </Button>
                    </div>
                    <Failure of={strike.error} />
                </form>
            ) : (
                <div>
                    <Button onClick={() => setOpen(true)}>{struck ? 'Take the strike back' : 'Strike this mark'}</Button>
                </div>
            )}
        </div>
    );
}
