{{-- How everything that is printed looks: the same paper, rules and figures on each sheet; each adds what is its own. --}}
    @page { margin: 36pt 36pt 44pt; }
    body { font: 9pt/1.35 'DejaVu Sans'; color: #1d1b16; }
    h1 { font-size: 17pt; margin: 0 0 2pt; }
    h2 { font-size: 11pt; margin: 14pt 0 4pt; border-bottom: 1pt solid #1d1b16; padding-bottom: 2pt; }
    table { width: 100%; border-collapse: collapse; }
    th { text-align: left; font-size: 8pt; border-bottom: .6pt solid #777; padding: 3pt; }
    td { padding: 3pt; border-bottom: .3pt solid #ccc; vertical-align: top; }
    .n { text-align: right; white-space: nowrap; }
    tr { page-break-inside: avoid; }
