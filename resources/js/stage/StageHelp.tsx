import { CircleHelp } from 'lucide-react';
import { createContext, useContext, useState } from 'react';
import paragraphs from '../../../docs/help.md?raw';
import { Button } from '../parts/Button';
import { STAGES, type StageName } from './stages';

export const StageContext = createContext<StageName>('prepare');

/** What is read under the stage's word in the handbook. */
export function helpFor(stage: StageName, text: string = paragraphs): string {
    const word = STAGES.find(([name]) => name === stage)?.[1];
    const [, ...sections] = text.split(/^## /m);
    const own = sections.find((s) => s.slice(0, s.indexOf('\n')).trim() === word) ?? '';
    return own.slice(own.indexOf('\n')).trim();
}

/** A paragraph of help where the stage stands: what it is for, and what comes first. */
export function useStageHelp() {
    const stage = useContext(StageContext);
    const [open, setOpen] = useState(false);
    return {
        button: (
            <Button
                kind="bare"
                aria-label="What this stage is for"
                title="What this stage is for"
                aria-expanded={open}
                onClick={() => setOpen(!open)}
                icon={<CircleHelp />}
            />
        ),
        paragraph: open && <p className="border-chalk border-l-4 bg-wash px-3 py-2">{helpFor(stage)}</p>,
    };
}
