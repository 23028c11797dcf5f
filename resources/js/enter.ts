import './theme/theme.css';

/** The one page that is shown without the key: takes it typed, or from the address behind the #, where no server and no log sees it. */
async function enter(key: string): Promise<void> {
    const problem = document.getElementById('problem') as HTMLElement;
    try {
        const answer = await fetch('/enter', {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify({ key }),
        });
        if (answer.ok) {
            location.replace(location.pathname === '/enter' ? '/' : location.pathname + location.search);
            return;
        }
        problem.textContent = ((await answer.json().catch(() => ({}))) as { message?: string }).message ?? 'That is not the key.';
    } catch {
        problem.textContent = 'Parlay’s server does not answer. Try again.';
    }
}

const form = document.getElementById('enter') as HTMLFormElement;
form.addEventListener('submit', (e) => {
    e.preventDefault();
    void enter((document.getElementById('key') as HTMLInputElement).value.trim());
});
if (location.hash.length > 1) {
    const key = location.hash.slice(1);
    history.replaceState(null, '', location.pathname + location.search);
    void enter(key);
}
