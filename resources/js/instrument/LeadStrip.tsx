import { useMutation } from '@tanstack/react-query';
import { Hand, TabletSmartphone } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api, ask, type Live, type Schemas } from '../api/client';
import { callDevice, deviceName, isDeviceNamed } from '../api/device';
import { Button } from '../parts/Button';
import { TextField } from '../parts/Field';
import { Failure } from '../parts/Notice';

type Lead = NonNullable<Live['lead']>;
type Deed = Schemas['LeadBody']['do'];

/** Who leads the instrument, where that is another device, and who asks for it: one turns it, the others look on. */
export function LeadStrip({ project, live }: { project: number; live: Live | undefined }) {
    const send = useMutation({
        mutationFn: (what: Deed) =>
            ask(api.POST('/api/v1/projects/{project}/instrument/lead', { params: { path: { project } }, body: { do: what } })),
    });
    const lead = live?.lead ?? null;
    const mine = lead?.mine === true;
    useEffect(() => {
        // A page that is closed leads nothing: the next who gives an order need not ask.
        const leave = () =>
            void api
                .POST('/api/v1/projects/{project}/instrument/lead', {
                    params: { path: { project } },
                    body: { do: 'leave' },
                    keepalive: true,
                })
                .catch(() => undefined);
        mine && window.addEventListener('pagehide', leave);
        return () => window.removeEventListener('pagehide', leave);
    }, [mine, project]);
    if (lead === null || (lead.mine && lead.asks === null)) {
        return null;
    }
    return (
        <section
            aria-label="Who leads the instrument"
            className="flex w-full flex-wrap items-center gap-x-4 gap-y-2 border-rule border-t-2 bg-wash px-3 py-1"
        >
            {lead.mine ? (
                <Asked lead={lead} send={send.mutate} busy={send.isPending} />
            ) : (
                <Elsewhere lead={lead} send={send.mutate} busy={send.isPending} />
            )}
            <Failure of={send.error} />
        </section>
    );
}

interface Side {
    lead: Lead;
    send: (what: Deed) => void;
    busy: boolean;
}

/** On the device that leads: another asks. */
function Asked({ lead, send, busy }: Side) {
    return (
        <>
            <p role="status" className="flex items-center gap-2 font-semibold">
                <Hand className="size-5 shrink-0" aria-hidden="true" />
                {lead.asks} asks to lead the instrument.
            </p>
            <Button busy={busy} onClick={() => send('give')}>
                Hand it over
            </Button>
            <Button busy={busy} onClick={() => send('keep')}>
                Keep it
            </Button>
        </>
    );
}

/** On another device: who leads, and how to come by it. */
function Elsewhere({ lead, send, busy }: Side) {
    const [name, setName] = useState(deviceName);
    const [naming, setNaming] = useState(false);
    const silent = lead.silent >= 10;
    return (
        <>
            <p role="status" className="flex min-w-0 items-center gap-2 [overflow-wrap:anywhere]">
                <TabletSmartphone className="size-5 shrink-0" aria-hidden="true" />
                <span>
                    <b>{lead.name}</b> leads the instrument{silent && `, and was last heard ${since(lead.silent)} ago`}
                    {lead.asked && !lead.mayTake && '. Asked; waiting for an answer…'}
                    {lead.asked && lead.mayTake && '. It does not answer.'}
                    {lead.kept && !lead.asked && '. It keeps the instrument for now.'}
                </span>
            </p>
            {lead.mayTake ? (
                <Button busy={busy} onClick={() => send('take')}>
                    Lead from here
                </Button>
            ) : naming ? (
                <form
                    className="flex flex-wrap items-end gap-2"
                    onSubmit={(e) => {
                        e.preventDefault();
                        callDevice(name);
                        setNaming(false);
                        send('ask');
                    }}
                >
                    <TextField label="This device is called" value={name} onValue={setName} />
                    <Button type="submit" busy={busy}>
                        Ask for it
                    </Button>
                </form>
            ) : (
                // Asked once what it is called, so that whoever leads reads who asks.
                !lead.asked && (
                    <Button busy={busy} onClick={() => (isDeviceNamed() ? send('ask') : setNaming(true))}>
                        Ask for it
                    </Button>
                )
            )}
        </>
    );
}

const since = (seconds: number): string => (seconds < 120 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`);
