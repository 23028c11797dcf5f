import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from '../parts/Button';
import { CheckBox } from '../parts/CheckBox';
import type { LabelChoice } from './contract';

const WORDS = { name: 'Name', code: 'Code', elevation: 'Elevation' } as const;

/** What stands beside the points: name, code, elevation, each on or off. */
export function LabelMenu({ labels, onLabels, icon }: { labels: LabelChoice; onLabels: (labels: LabelChoice) => void; icon: ReactNode }) {
    return (
        <Popover.Root>
            <Popover.Trigger asChild>
                <Button kind="bare" aria-label="Labels" title="Labels" icon={icon} />
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content side="right" align="end" className="z-30 border-2 border-ink bg-sheet p-2" aria-label="Labels">
                    {(Object.keys(WORDS) as (keyof LabelChoice)[]).map((key) => (
                        <CheckBox
                            key={key}
                            label={WORDS[key]}
                            checked={labels[key]}
                            onChecked={(on) => onLabels({ ...labels, [key]: on })}
                        />
                    ))}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
