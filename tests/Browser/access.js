// Runs in the page: what keeps people from reading or pressing what is shown. Gives one line for each kind of finding, nothing where all is well.
// In another theme only the colours are others: then nothing else is asked.
const [onlyColours, done] = arguments;
const SMALLEST_TEXT = 12;
const SMALLEST_TARGET = 44;
const PRESSED = 'button, a[href], select, summary, input:not([type=file]), textarea, [role=tab], [role=menuitem], [role=menuitemcheckbox], [role=menuitemradio], [role=option]';

const shown = (e) => {
    const r = e.getBoundingClientRect();
    return r.width > 1 && r.height > 1 && e.checkVisibility({ visibilityProperty: true, opacityProperty: true });
};
const named = (e) => (e.getAttribute('aria-label') || e.textContent || e.id || e.tagName).replace(/\s+/g, ' ').trim().slice(0, 50);

/** A box to be ticked is pressed by the words beside it, too. */
const pressedAs = (e) => (/^(checkbox|radio)$/.test(e.type) ? (e.closest('label') ?? e) : e);

const texts = () => {
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const small = new Set();
    for (let t = walk.nextNode(); t; t = walk.nextNode()) {
        const e = t.parentElement;
        if (!t.textContent.trim() || !e || !shown(e)) {
            continue;
        }
        // A figure that is drawn is as large as its box makes it.
        const svg = e.closest('svg');
        const scale = svg?.viewBox?.baseVal?.width ? svg.getBoundingClientRect().width / svg.viewBox.baseVal.width : 1;
        const size = Number.parseFloat(getComputedStyle(e).fontSize) * scale;
        if (size < SMALLEST_TEXT - 0.05) {
            small.add(`text of ${size.toFixed(1)} px: ${named(e)}`);
        }
    }
    return [...small];
};

const targets = () =>
    [...new Set([...document.querySelectorAll(PRESSED)].filter((e) => shown(e)).map(pressedAs))]
        .filter((e) => e.tabIndex !== -1 || e.tagName === 'LABEL')
        .map((e) => [e, e.getBoundingClientRect()])
        .filter(([e, r]) => r.height < SMALLEST_TARGET - 0.5 || r.width < SMALLEST_TARGET - 0.5)
        .map(([e, r]) => `to press, ${Math.round(r.width)} by ${Math.round(r.height)}: ${e.tagName.toLowerCase()} ${named(e)}`);

/** The one next step lies in the view, under nothing; where a dialog is open, its own. */
const nextSteps = () => {
    const within = [...document.querySelectorAll('[role=dialog], [role=alertdialog]')].at(-1) ?? document;
    return [...within.querySelectorAll('[data-next]')].filter(shown).flatMap((e) => {
        const r = e.getBoundingClientRect();
        const top = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
        const whole = r.left >= 0 && r.top >= 0 && r.right <= innerWidth && r.bottom <= innerHeight;
        const free = top && e.contains(top);
        return [
            ...(whole && free ? [] : [`the next step is not in view: ${named(e)}`]),
            ...(r.height < 63.5 ? [`the next step is ${Math.round(r.height)} high: ${named(e)}`] : []),
        ];
    });
};

const wide = () => (document.documentElement.scrollWidth > innerWidth ? [`the page is ${document.documentElement.scrollWidth} wide`] : []);

const asked = onlyColours ? { runOnly: { type: 'rule', values: ['color-contrast'] } } : { rules: { 'color-contrast': { enabled: true } } };
axe.run(document, { resultTypes: ['violations'], ...asked }).then(
    ({ violations }) =>
        done([
            ...violations.map((v) => `${v.id}: ${v.help}; ${v.nodes.length}, as ${v.nodes.slice(0, 3).map((n) => n.target.join(' ')).join(', ')}`),
            ...(onlyColours ? [] : [...texts(), ...targets(), ...nextSteps(), ...wide()]),
        ]),
    (e) => done([`axe did not run: ${e}`]),
);
