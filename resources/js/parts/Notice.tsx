import { CircleAlert, Info, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';

const LOOKS = {
    error: { icon: CircleAlert, colour: 'border-out text-out', role: 'alert' },
    caution: { icon: TriangleAlert, colour: 'border-open text-open', role: 'status' },
    info: { icon: Info, colour: 'border-chalk text-chalk', role: 'status' },
} as const;

/** Something to be read: what, where, and what to do. */
export function Notice({ kind = 'info', children }: { kind?: keyof typeof LOOKS; children: ReactNode }) {
    const { icon: Icon, colour, role } = LOOKS[kind];
    return (
        <div role={role} className={`flex gap-2 border-l-4 py-1 pl-3 ${colour}`}>
            <Icon className="mt-0.5 size-5 shrink-0" aria-hidden="true" />
            <div className="min-w-0 text-ink [overflow-wrap:anywhere]">{children}</div>
        </div>
    );
}

/** The sentence of a failure, nothing where there is none. */
export function Failure({ of }: { of: { message: string } | null | undefined }) {
    return of ? <Notice kind="error">{of.message}</Notice> : null;
}
