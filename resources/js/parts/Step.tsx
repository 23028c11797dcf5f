import { type ComponentProps, type ReactNode, useId } from 'react';
import { Button } from './Button';
import { NextStep } from './NextStep';

interface Props extends Omit<ComponentProps<typeof Button>, 'kind' | 'disabled'> {
    /** why it cannot be taken yet: stands beside it while it is grey */
    why?: string | null | false;
    /** what may be done instead */
    second?: ReactNode;
}

/** The one next step of a form, in the bar at its foot; while it is grey it says why. */
export function Step({ why, second, ...button }: Props) {
    const id = useId();
    return (
        <>
            {why && (
                <NextStep as="aside">
                    <span id={id} className="text-quiet">
                        {why}
                    </span>
                </NextStep>
            )}
            {second && <NextStep as="second">{second}</NextStep>}
            <NextStep>
                <Button kind="primary" disabled={Boolean(why)} aria-describedby={why ? id : undefined} {...button} />
            </NextStep>
        </>
    );
}
