:root { --paper: #f3eee2; --sheet: #fbf8f0; --ink: #1f1c17; --quiet: #5d574b; --rule: #cfc6b1; --chalk: #1f5fa8; --in: #1b6e3c; --out: #b3261e; --open: #8a5a00; }
* { box-sizing: border-box; }
body { margin: 0; padding: 16px clamp(12px, 3vw, 40px) 48px; background: var(--paper); color: var(--ink); font: 16px/1.45 system-ui, sans-serif; }
h1 { font-size: 1.7rem; margin: 0 0 8px; overflow-wrap: anywhere; }
h2 { font-size: 1.2rem; margin: 28px 0 8px; border-bottom: 2px solid var(--ink); }
dl { display: grid; grid-template-columns: repeat(auto-fit, minmax(min(360px, 90vw), 1fr)); gap: 2px 24px; margin: 0; }
dl div { display: flex; gap: 10px; } dt { color: var(--quiet); min-width: 80px; } dd { margin: 0; overflow-wrap: anywhere; }
.counts { display: flex; flex-wrap: wrap; gap: 4px 28px; font-size: 1.15rem; margin: 14px 0 0; }
.figure, .n { font-variant-numeric: tabular-nums; }
.in b, span.in { color: var(--in); } .out b, span.out { color: var(--out); } .close b, span.close { color: var(--open); }
.plan { position: relative; background: var(--sheet); border: 1px solid var(--rule); }
#plan { display: block; width: 100%; height: min(62vh, 640px, 85vw); touch-action: none; cursor: grab; }
#plan text { fill: var(--ink); }
.bar { position: absolute; top: 8px; right: 8px; display: grid; gap: 6px; }
button, select, input { font: inherit; color: inherit; min-height: 44px; border: 1px solid var(--quiet); border-radius: 4px; background: var(--sheet); padding: 4px 12px; }
.scale { display: flex; flex-wrap: wrap; gap: 4px 16px; align-items: end; padding: 6px 10px; }
#rod { display: inline-block; height: 8px; border: 2px solid var(--ink); border-top: 0; }
.find { display: flex; flex-wrap: wrap; gap: 8px 20px; align-items: center; margin: 0 0 8px; }
.wide { overflow-x: auto; background: var(--sheet); border: 1px solid var(--rule); }
table { border-collapse: collapse; width: 100%; } th, td { padding: 5px 8px; text-align: left; border-bottom: 1px solid var(--rule); vertical-align: top; }
th { white-space: nowrap; background: var(--paper); } .n { text-align: right; white-space: nowrap; } small { color: var(--quiet); display: block; font-size: .85rem; white-space: nowrap; }
#marks th { padding: 0; } #marks th button { border: 0; background: none; width: 100%; text-align: inherit; font-weight: 600; white-space: nowrap; }
button.open { border: 0; background: none; padding: 0; text-align: left; color: var(--chalk); text-decoration: underline; overflow-wrap: anywhere; min-width: 90px; min-height: 30px; }
tr.how td { background: var(--paper); } tr.how dl { grid-template-columns: repeat(auto-fit, minmax(min(300px, 80vw), 1fr)); font-size: .92rem; position: sticky; left: 10px; width: min(100%, calc(100vw - 110px)); } tr.how dt { min-width: 0; } tr.how dd { overflow-wrap: break-word; }
tr.lit td { background: #e3ebf2; }
:focus-visible { outline: 3px solid var(--chalk); outline-offset: 1px; }
@media print { body { background: #fff; padding: 0; } .bar, .find { display: none; } #plan { height: 120mm; } }
.letter { display: flex; flex-wrap: wrap; gap: 8px 32px; justify-content: space-between; align-items: start; margin-bottom: 16px; } .letter img { max-height: 70px; max-width: 280px; } .letter p { margin: 0 0 0 auto; text-align: right; }
