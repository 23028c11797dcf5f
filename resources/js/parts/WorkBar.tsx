import type { Work } from '../api/work';
import { Button } from './Button';

/** What is being done, how far it has come, and a way to stop it. */
export function WorkBar({ work }: { work: Work }) {
    if (!work.busy) {
        return null;
    }
    const percent = Math.round(work.part * 100);
    return (
        <div className="grid gap-1" role="status" aria-label="Being done">
            <div className="flex items-center gap-3">
                <span className="min-w-0 flex-1">
                    {work.doing ? `${work.doing[0]?.toUpperCase()}${work.doing.slice(1)}…` : 'Starting…'}{' '}
                    <span className="figure">{percent} %</span>
                </span>
                <Button onClick={work.cancel}>Stop</Button>
            </div>
            <div className="h-3 w-full bg-rule" role="progressbar" aria-valuenow={percent} aria-label={work.doing || 'starting'}>
                <div className="h-full bg-chalk" style={{ width: `${percent}%` }} />
            </div>
        </div>
    );
}
