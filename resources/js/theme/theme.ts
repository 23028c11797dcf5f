export type Theme = 'paper' | 'sun';

/** Kept by the browser: the same project is looked at in the office and in the sun. */
export const storedTheme = (): Theme => (localStorage.getItem('theme') === 'sun' ? 'sun' : 'paper');

export function applyTheme(theme: Theme): void {
    document.documentElement.dataset.theme = theme;
    localStorage.setItem('theme', theme);
}
