import { useState } from 'react';
import { api, ask, type Project, type Schemas } from '../api/client';
import { useDayDeed } from '../api/hooks';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Choice } from '../parts/Field';
import { NextStep } from '../parts/NextStep';
import { Failure } from '../parts/Notice';

type Choices = Schemas['StakingChoices'];

const LATH: Record<Choices['lathLines'][number], string> = {
    name: 'Name',
    code: 'Code',
    along: 'Distance along the line',
    offset: 'Offset from the line',
    parallel: 'Offset of the parallel',
    cut_fill: 'Cut or fill, and to what',
    elevation: 'Elevation as staked',
};

const FIGURES: Record<Choices['figures'][number], string> = {
    facing: 'Toward the instrument, to the right',
    north_east: 'North and east',
    along_across: 'Along and across the line for moves',
    cut_fill: 'Cut or fill',
    distance: 'Distance to the target',
    azimuth: 'Direction to the target',
    elevation: 'Elevation of the pole or dot',
    design_elevation: 'Design elevation',
};

const MOST_FIGURES = 4;

const keys = <K extends string>(of: Record<K, string>) => Object.keys(of) as K[];

/** What the sheet shows while staking, and what follows a mark; of the project, until it is changed. */
export function StakeChoices({ project, onKept }: { project: Project; onKept: () => void }) {
    const [choices, setChoices] = useState<Choices>(project.staking);
    const keep = useDayDeed(project.id, () =>
        ask(api.PUT('/api/v1/projects/{project}/staking', { params: { path: { project: project.id } }, body: choices })),
    );
    const set = (change: Partial<Choices>) => setChoices((c) => ({ ...c, ...change }));
    const turn = <K extends string>(list: readonly K[], key: K, all: readonly K[]) =>
        list.includes(key) ? list.filter((k) => k !== key) : all.filter((k) => k === key || list.includes(k));
    return (
        <div className="grid gap-3">
            <Choice
                label="After a mark that is in"
                value={choices.next}
                options={[
                    ['off', 'stay at it'],
                    ['nearest', 'on to the nearest not yet done'],
                    ['listed', 'on to the next of the list'],
                    ['walk', 'on along a short walk'],
                ]}
                onValue={(next) => set({ next })}
            />
            <CheckBox label="Look at what is to be stored before it is" checked={choices.look} onChecked={(look) => set({ look })} />
            <CheckBox label="Show what goes on the lath after it" checked={choices.lath} onChecked={(lath) => set({ lath })} />
            {choices.lath && (
                <fieldset className="grid grid-cols-2">
                    <legend className="text-sm text-quiet">On the lath</legend>
                    {keys(LATH).map((k) => (
                        <CheckBox
                            key={k}
                            label={LATH[k]}
                            checked={choices.lathLines.includes(k)}
                            onChecked={() => set({ lathLines: turn(choices.lathLines, k, keys(LATH)) })}
                        />
                    ))}
                </fieldset>
            )}
            <fieldset className="grid grid-cols-2">
                <legend className="text-sm text-quiet">Figures on the sheet, four at most; none: those that suit the target</legend>
                {keys(FIGURES).map((k) => (
                    <CheckBox
                        key={k}
                        label={FIGURES[k]}
                        checked={choices.figures.includes(k)}
                        disabled={!choices.figures.includes(k) && choices.figures.length >= MOST_FIGURES}
                        onChecked={() => set({ figures: turn(choices.figures, k, keys(FIGURES)) })}
                    />
                ))}
            </fieldset>
            <Failure of={keep.error} />
            <NextStep>
                <Button kind="primary" busy={keep.isPending} onClick={() => keep.mutate(undefined, { onSuccess: onKept })}>
                    Keep these choices
                </Button>
            </NextStep>
        </div>
    );
}
