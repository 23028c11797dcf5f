import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Live, type Project } from '../api/client';
import { Button } from '../parts/Button';
import { Dialog } from '../parts/Dialog';
import { TextField } from '../parts/Field';
import { Coordinates, Deviation, Sided } from '../parts/Figure';
import { NextStep } from '../parts/NextStep';
import { Verdict } from '../parts/Verdict';
import type { Target } from './target';

interface Props {
    project: Project;
    target: Target;
    live: Live;
    onStore: (as: { name: string; code: string; note: string }) => void;
    onClose: () => void;
}

/** What is to be stored, before it is: designed, found, the difference, and what it will be called. */
export function LookBefore({ project, target, live, onStore, onClose }: Props) {
    const series = target.kind === 'aim' && target.aim.kind !== 'place' ? target.aim.series : null;
    const next = useQuery({
        queryKey: [project.id, 'next-name', series],
        queryFn: () =>
            ask(
                api.GET('/api/v1/projects/{project}/next-name', {
                    params: { path: { project: project.id }, query: { prefix: series ?? '', marks: true } },
                }),
            ),
        enabled: series !== null,
    });
    const proposed = series === null ? target.name : (next.data?.name ?? '');
    const [name, setName] = useState<string | null>(null);
    const [code, setCode] = useState(target.kind === 'point' ? target.point.code : target.aim.code);
    const [note, setNote] = useState('');
    const { guidance: g, designed, pole, judged } = live;
    return (
        <Dialog open onClose={onClose} title={`Before storing ${target.name}`}>
            <div className="grid gap-3">
                {designed && (
                    <p>
                        Designed: <Coordinates {...designed.place} />
                    </p>
                )}
                {pole && (
                    <p>
                        Found now: <Coordinates {...pole} />
                    </p>
                )}
                {g && (
                    <p className="text-lg">
                        <Verdict of={g.verdict} judged={judged} />: <Deviation of={g.distance} /> off in plan,{' '}
                        <Sided of={g.raise === null ? null : -g.raise} side="height" none="no height" />
                    </p>
                )}
                <div className="grid grid-cols-2 gap-3">
                    <TextField label="Name" value={name ?? proposed} onValue={setName} />
                    <TextField label="Code" value={code} onValue={setCode} />
                </div>
                <TextField label="Note" value={note} onValue={setNote} />
            </div>
            <NextStep as="second">
                <Button className="min-h-16" onClick={onClose}>
                    Not yet
                </Button>
            </NextStep>
            <NextStep>
                <Button
                    kind="primary"
                    disabled={(name ?? proposed).trim() === ''}
                    onClick={() => onStore({ name: name === null && series !== null ? '' : (name ?? proposed), code, note })}
                >
                    Measure and store
                </Button>
            </NextStep>
        </Dialog>
    );
}
