import { Lock, LockOpen } from 'lucide-react';
import type { Aim, Live, Project } from '../api/client';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import { Length } from '../parts/Figure';
import { Failure } from '../parts/Notice';
import { offeredSpot, useShown } from '../plan/shown';
import { spotBody } from '../plan/snap';
import type { StageProps } from '../stage/stages';
import { useTakeAim } from './useTaking';

interface Props extends Pick<StageProps, 'offering' | 'setOffering'> {
    project: Project;
    live: Live | undefined;
    onTaken: (aim: Aim) => void;
}

/** The spot nearest to the pole, named before it is taken. */
export function Offering({ project, live, offering, setOffering, onTaken }: Props) {
    const spot = useShown(offeredSpot);
    const take = useTakeAim(project.id, onTaken);
    const pole = live?.pole;
    return (
        <section aria-label="Offered while walking" className="grid gap-1">
            <CheckBox
                label="Offer the nearest spot while walking"
                checked={offering !== 'off'}
                onChecked={(on) => setOffering(on ? 'on' : 'off')}
            />
            {offering !== 'off' && (
                <>
                    {spot && pole ? (
                        <div className="flex flex-wrap items-center gap-2">
                            <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
                                {spot.label}, <Length of={Math.hypot(spot.x - pole.easting, spot.y - pole.northing)} /> away
                            </span>
                            <Button
                                pressed={offering === 'locked'}
                                icon={offering === 'locked' ? <Lock /> : <LockOpen />}
                                onClick={() => setOffering(offering === 'locked' ? 'on' : 'locked')}
                            >
                                Keep this one
                            </Button>
                            <Button
                                className="min-h-16"
                                busy={take.isPending}
                                onClick={() => take.mutate({ place: { spot: spotBody(spot) } })}
                            >
                                Stake it
                            </Button>
                        </div>
                    ) : (
                        <p className="text-sm text-quiet">
                            {pole ? 'No spot of a shown layer is within ten metres of the pole.' : 'The instrument does not see the pole.'}
                        </p>
                    )}
                    <Failure of={take.error} />
                </>
            )}
        </section>
    );
}
