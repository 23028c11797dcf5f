import { useEffect, useRef, useState } from 'react';
import type { NavigateFunction } from 'react-router';
import { useNavigate } from 'react-router';
import { Dialog } from '../parts/Dialog';
import { STAGES } from '../stage/stages';

/** What the keyboard does wherever no field is being typed into; the plan has its own keys. */
const KEYS: [keys: string, does: string][] = [
    ['any letter or figure', 'find a point or a control point by its name'],
    ['Alt + Enter', 'the next step, as if its button were pressed'],
    ['Alt + 1 to 6', 'the stages of the line, from Prepare to Hand over'],
    ['Alt + P', 'to the plan'],
    ['Alt + H', 'to the sheet'],
    ['Alt + B', 'the field book, up and away again'],
    ['on the plan: arrows, + and −', 'move it, nearer and farther'],
    ['on the plan: full stop and comma', 'step from spot to spot while one is wanted, else from point to point'],
    ['on the plan: Enter', 'take the one that is offered'],
    ['Escape', 'close what is open'],
    ['?', 'this list'],
];

/** Wherever something is typed, keys mean what they always mean. */
const isTyping = (e: KeyboardEvent) =>
    e.target instanceof HTMLElement && e.target.closest('input, textarea, select, [role=listbox], [role=menu]') !== null;

const within = () => [...document.querySelectorAll('[role=dialog]')].at(-1) ?? document;

function withAlt(e: KeyboardEvent, project: number, navigate: NavigateFunction): boolean {
    const stage = STAGES[Number(e.code.replace('Digit', '')) - 1];
    if (e.key === 'Enter') {
        within().querySelector<HTMLElement>('[data-next]')?.click();
    } else if (stage && e.code.startsWith('Digit')) {
        void navigate(`/p/${project}/${stage[0]}`);
    } else if (e.code === 'KeyP') {
        document.querySelector<HTMLElement>('[aria-label="Plan"]')?.focus();
    } else if (e.code === 'KeyH') {
        document.getElementById('sheet')?.focus();
    } else if (e.code === 'KeyB') {
        document.querySelector<HTMLElement>('[aria-label="Field book"] > button')?.click();
    } else {
        return false;
    }
    return true;
}

/** Keys of our own, listed by one of them; typing anywhere begins to search. */
export function Shortcuts({ project, onSearch }: { project: number; onSearch: (typed: string) => void }) {
    const navigate = useNavigate();
    const [listed, setListed] = useState(false);
    const search = useRef(onSearch);
    search.current = onSearch;
    useEffect(() => {
        const pressed = (e: KeyboardEvent) => {
            if (e.ctrlKey || e.metaKey || e.defaultPrevented) {
                return;
            }
            if (e.altKey) {
                withAlt(e, project, navigate) && e.preventDefault();
            } else if (!isTyping(e) && within() === document) {
                if (e.key === '?') {
                    setListed(true);
                } else if (e.key.length === 1 && /[\p{L}\p{N}]/u.test(e.key)) {
                    e.preventDefault();
                    search.current(e.key);
                }
            }
        };
        window.addEventListener('keydown', pressed);
        return () => window.removeEventListener('keydown', pressed);
    }, [project, navigate]);
    return (
        <Dialog open={listed} onClose={() => setListed(false)} title="Keys">
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
                {KEYS.map(([keys, does]) => (
                    <div key={keys} className="contents">
                        <dt className="font-semibold">{keys}</dt>
                        <dd>{does}</dd>
                    </div>
                ))}
            </dl>
        </Dialog>
    );
}
