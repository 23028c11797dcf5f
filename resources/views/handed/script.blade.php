(() => {
    const data = JSON.parse(document.getElementById('data').textContent);
    const svg = document.getElementById('plan');
    if (!svg) return;
    const NS = 'http://www.w3.org/2000/svg';
    const table = document.getElementById('marks');
    const body = table.tBodies[0];
    const rows = [...body.rows];
    const { marks, box, times, unit, label } = data.plan;
    const ink = { in: '#1b6e3c', out: '#b3261e', close: '#8a5a00', undecided: '#5d574b' };
    const put = (name, attributes) => {
        const e = document.createElementNS(NS, name);
        for (const [k, v] of Object.entries(attributes)) e.setAttribute(k, v);
        svg.append(e);
        return e;
    };
    const thin = { 'vector-effect': 'non-scaling-stroke', fill: 'none' };
    // Dots of a size of their own at every scale: round where it holds, square where it does not.
    for (const [, verdict, x, y, dx, dy] of marks) {
        put('path', { d: `M${x} ${y}l${dx * times} ${dy * times}`, stroke: ink[verdict], 'stroke-width': 2, ...thin });
    }
    marks.forEach(([name, verdict, x, y], i) => {
        const dot = put('path', { d: `M${x} ${y}h0`, stroke: ink[verdict], 'stroke-width': verdict === 'in' ? 9 : 12, 'stroke-linecap': verdict === 'in' || verdict === 'undecided' ? 'round' : 'square', ...thin });
        dot.append(Object.assign(document.createElementNS(NS, 'title'), { textContent: name }));
        dot.addEventListener('click', () => show(i));
    });
    const names = marks.map(([name, , x, y]) => Object.assign(put('text', { x, y }), { textContent: name.slice(0, 24) }));
    let view = null;
    const size = () => svg.getBoundingClientRect();
    const draw = () => {
        svg.setAttribute('viewBox', view.join(' '));
        const { width, height } = size();
        const metres = Math.max(view[2] / width, view[3] / height);
        // Names where there is room for them; those that are out come first.
        const taken = [];
        const order = marks.map((_, i) => i).sort((p, q) => (marks[p][1] === 'in') - (marks[q][1] === 'in'));
        for (const i of order) {
            const [name, , x, y] = marks[i];
            const [left, top] = [x + 8 * metres, y - 18 * metres];
            const right = left + (8 * Math.min(name.length, 24) + 6) * metres;
            const free = taken.length < 250 && x > view[0] && right < view[0] + view[2] && top > view[1] && y < view[1] + view[3]
                && taken.every((t) => left > t[1] || right < t[0] || Math.abs(top - t[2]) > 15 * metres);
            names[i].style.display = free ? '' : 'none';
            if (!free) continue;
            taken.push([left, right, top]);
            names[i].setAttribute('font-size', 13 * metres);
            names[i].setAttribute('x', left);
            names[i].setAttribute('y', y - 5 * metres);
        }
        const most = (120 * metres) / unit;
        const ten = 10 ** Math.floor(Math.log10(most));
        const round = [5, 2, 1].map((k) => k * ten).find((v) => v <= most) ?? ten;
        document.getElementById('rod').style.width = `${(round * unit) / metres}px`;
        document.getElementById('length').textContent = `${+round.toPrecision(3)} ${label}`;
    };
    const whole = () => {
        const edge = 0.08 * Math.max(box[2], box[3], 1);
        view = [box[0] - edge, box[1] - edge, box[2] + 2 * edge, box[3] + 2 * edge];
        const { width, height } = size();
        // As wide as the picture is: what is drawn keeps its scale in both ways.
        const metres = Math.max(view[2] / width, view[3] / height);
        view = [view[0] + (view[2] - width * metres) / 2, view[1] + (view[3] - height * metres) / 2, width * metres, height * metres];
        draw();
    };
    const zoom = (by, px, py) => {
        const { width, height } = size();
        const [fx, fy] = [px ?? width / 2, py ?? height / 2].map((v, k) => v / [width, height][k]);
        const most = 50 * Math.max(box[2], box[3], 1);
        const next = Math.min(most, Math.max(0.05, view[2] * by)) / view[2];
        view = [view[0] + view[2] * fx * (1 - next), view[1] + view[3] * fy * (1 - next), view[2] * next, view[3] * next];
        draw();
    };
    const fingers = new Map();
    svg.addEventListener('pointerdown', (e) => fingers.set(e.pointerId, [e.clientX, e.clientY]));
    for (const end of ['pointerup', 'pointercancel', 'pointerleave']) svg.addEventListener(end, (e) => fingers.delete(e.pointerId));
    svg.addEventListener('pointermove', (e) => {
        const was = fingers.get(e.pointerId);
        if (!was) return;
        const { width, left, top } = size();
        const others = [...fingers].filter(([id]) => id !== e.pointerId).map(([, at]) => at);
        if (others.length === 0) {
            view = [view[0] - ((e.clientX - was[0]) * view[2]) / width, view[1] - ((e.clientY - was[1]) * view[2]) / width, view[2], view[3]];
            draw();
        } else {
            const [o] = others;
            const apart = (at) => Math.max(10, Math.hypot(at[0] - o[0], at[1] - o[1]));
            zoom(apart(was) / apart([e.clientX, e.clientY]), (o[0] + e.clientX) / 2 - left, (o[1] + e.clientY) / 2 - top);
        }
        fingers.set(e.pointerId, [e.clientX, e.clientY]);
    });
    svg.addEventListener('wheel', (e) => {
        e.preventDefault();
        const { left, top } = size();
        zoom(e.deltaY > 0 ? 1.25 : 0.8, e.clientX - left, e.clientY - top);
    }, { passive: false });
    svg.addEventListener('keydown', (e) => {
        const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
        if (step) { e.preventDefault(); view = [view[0] + step[0] * view[2] / 8, view[1] + step[1] * view[3] / 8, view[2], view[3]]; draw(); }
        if (e.key === '+') zoom(0.8);
        if (e.key === '-') zoom(1.25);
    });
    document.getElementById('in').onclick = () => zoom(0.7);
    document.getElementById('less').onclick = () => zoom(1 / 0.7);
    document.getElementById('whole').onclick = whole;
    addEventListener('resize', whole);

    const how = (row, open) => {
        row.nextElementSibling?.classList.contains('how') && row.nextElementSibling.remove();
        row.querySelector('.open').setAttribute('aria-expanded', String(open));
        if (!open) return;
        const cell = Object.assign(document.createElement('td'), { colSpan: row.cells.length });
        const list = document.createElement('dl');
        (data.trace[row.dataset.i] ?? []).forEach((value, k) => {
            if (value === '') return;
            const pair = document.createElement('div');
            pair.append(Object.assign(document.createElement('dt'), { textContent: data.head[k] }), Object.assign(document.createElement('dd'), { textContent: value }));
            list.append(pair);
        });
        cell.append(list);
        const more = document.createElement('tr');
        more.className = 'how';
        more.append(cell);
        row.after(more);
    };
    const show = (i) => {
        const row = rows[i];
        for (const r of rows) r.classList.toggle('lit', r === row);
        row.hidden = false;
        row.scrollIntoView({ block: 'center' });
    };
    body.addEventListener('click', (e) => {
        const button = e.target.closest('.open');
        if (button) how(button.closest('tr'), button.getAttribute('aria-expanded') !== 'true');
    });
    const close = () => { for (const r of rows) how(r, false); };
    const value = (row, k) => row.cells[k].dataset.v ?? row.cells[k].textContent;
    [...table.tHead.rows[0].cells].forEach((th, k) => {
        const button = Object.assign(document.createElement('button'), { textContent: th.textContent });
        th.replaceChildren(button);
        button.onclick = () => {
            const down = th.getAttribute('aria-sort') === 'ascending';
            for (const other of table.tHead.rows[0].cells) other.removeAttribute('aria-sort');
            th.setAttribute('aria-sort', down ? 'descending' : 'ascending');
            close();
            const by = th.dataset.by;
            const figure = (v) => (by === 'size' ? Math.abs(Number(v)) : Number(v));
            // What has no figure comes last either way; deviations by their size.
            body.append(...[...rows].sort((p, q) => {
                const [u, v] = [value(p, k), value(q, k)];
                if (u === '' || v === '') return (u === '') - (v === '') || 0;
                const order = by ? figure(u) - figure(v) : u.localeCompare(v, undefined, { numeric: true });
                return down ? -order : order;
            }));
        };
    });
    const filter = () => {
        close();
        const words = document.getElementById('find').value.trim().toLowerCase();
        const only = document.getElementById('only').value;
        let count = 0;
        for (const r of rows) {
            const fits = (only === '' || r.classList.contains(only)) && (words === '' || `${value(r, 0)} ${r.lastElementChild.textContent}`.toLowerCase().includes(words));
            r.hidden = !fits;
            count += fits ? 1 : 0;
        }
        document.getElementById('shown').textContent = count === rows.length ? '' : `${count} of ${rows.length}`;
    };
    document.getElementById('find').oninput = filter;
    document.getElementById('only').onchange = filter;
    whole();
})();
