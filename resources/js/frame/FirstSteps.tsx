import { CircleCheck, CircleDashed } from 'lucide-react';
import { Link } from 'react-router';
import { Button, buttonLook } from '../parts/Button';
import { NextStep } from '../parts/NextStep';
import type { StageProps } from '../stage/stages';

interface Step {
    says: string;
    wants: string;
    done: boolean;
    /** where it is done */
    to: string;
    verb: string;
}

interface Props extends Pick<StageProps, 'project' | 'control' | 'designs'> {
    tab: string;
    /** points are made by touch from now on */
    onTouch: () => void;
}

/** A new project's three steps, each with the file it wants; the first that is not done is the next step. */
export function FirstSteps({ project, control, designs, tab, onTouch }: Props) {
    const steps: Step[] = [
        {
            says: 'Control',
            wants: 'the known points on site: a list of names and coordinates (CSV, text, LandXML, GeoJSON), or typed',
            done: control.length > 1,
            to: `/p/${project.id}/control`,
            verb: 'Bring in control',
        },
        {
            says: 'Drawing',
            wants: 'the designer’s plan of the work (DXF)',
            done: designs.length > 0,
            to: `/p/${project.id}/prepare?do=designs`,
            verb: 'Bring in a drawing',
        },
        {
            says: 'Points',
            wants: 'what is to be staked: touched on the drawing, or a list (CSV, text, LandXML, GeoJSON)',
            done: false,
            to: `/p/${project.id}/prepare?do=points`,
            verb: 'Make points by touch',
        },
    ];
    const next = steps.find((s) => !s.done);
    return (
        <section className="mx-4 grid border-ink border-t" aria-label="The first steps">
            {steps.map((s) => (
                <Link key={s.says} to={s.to} className="flex min-h-12 items-center gap-3 border-rule border-b py-1 hover:bg-wash">
                    {s.done ? (
                        <CircleCheck className="shrink-0 text-in" aria-hidden="true" />
                    ) : (
                        <CircleDashed className="shrink-0" aria-hidden="true" />
                    )}
                    <span className="text-sm">
                        <strong className="text-base">{s.says}</strong>
                        {s.done ? ': there' : `: ${s.wants}`}
                    </span>
                </Link>
            ))}
            {next && !next.to.endsWith(`do=${tab}`) && (
                <NextStep>
                    {next.says === 'Points' ? (
                        <Button kind="primary" onClick={onTouch}>
                            {next.verb}
                        </Button>
                    ) : (
                        <Link to={next.to} data-next className={buttonLook('primary')}>
                            {next.verb}
                        </Link>
                    )}
                </NextStep>
            )}
        </section>
    );
}
