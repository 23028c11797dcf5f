@php
    use Parlay\Core\Units\Side;
    [$a, $b] = $figures->order();
    $called = ['in' => '● in', 'out' => '▲ OUT', 'close' => '◆ too close to call', 'undecided' => '○ not judged'];
    $place = static fn (?float $northing, ?float $easting): array => $a === 'northing' ? [$northing, $easting] : [$easting, $northing];
    $guarded = ($head['acceptance']->value ?? $head['acceptance']) === 'guarded';
@endphp
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; img-src data:">
<title>{{ $head['name'] ?: 'Stakeout and as-built report' }} – {{ $head['project'] }}</title>
<style>
@include('handed.style')
</style>
</head>
<body>
<header>
@php $letter = (array) ($head['letterhead'] ?? []); @endphp
@if (($letter['firm'] ?? '') !== '' || ($letter['address'] ?? '') !== '' || ($letter['logo'] ?? '') !== '')
<div class="letter">@if ($letter['logo'])<img src="{{ $letter['logo'] }}" alt="">@endif<p><b>{{ $letter['firm'] }}</b>@foreach (array_filter(explode("\n", $letter['address'])) as $line)<br>{{ $line }}@endforeach</p></div>
@endif
<h1>{{ $head['name'] ?: 'Stakeout and as-built report' }}</h1>
<dl>
<div><dt>Project</dt><dd>{{ $head['project'] }}</dd></div>
<div><dt>Report</dt><dd>@if ($stamp)no. {{ $stamp->number }}, @else not issued, as the field book stood on @endif{{ $figures->time($head['at']) }}</dd></div>
<div><dt>Made by</dt><dd>{{ $head['author'] ?: 'not given' }}</dd></div>
@if ($head['covers'] ?? '')<div><dt>Covers</dt><dd>{{ $head['covers'] }}</dd></div>@endif
<div><dt>Tolerance</dt><dd>plan {{ $figures->deviation($head['planTolerance']) }}, height {{ $figures->heightTolerance(new \Parlay\Core\Stakeout\Tolerance($head['planTolerance'], $head['heightTolerance'], $head['aboveTolerance'] ?? null)) }}, where a mark has none of its own</dd></div>
<div><dt>Rule</dt><dd>{{ $guarded ? 'guarded acceptance at '.round(100 * $head['level'], 1).' % (JCGM 106:2012)' : 'simple acceptance (JCGM 106:2012): by the measured figure alone' }}; ± holds in 95 of 100 cases</dd></div>
@if ($stamp)<div><dt>Checksum</dt><dd class="figure">{{ App\Reports\Models\ReportIssue::short($stamp->checksum) }} (of its figures, sha-256)</dd></div>@endif
</dl>
<p class="counts">@foreach ($called as $verdict => $words)@if ($counts[$verdict] ?? 0)<span class="{{ $verdict }}"><b>{{ $counts[$verdict] }}</b> {{ $words }}</span>@endif @endforeach @if ($marks === [])No marks.@endif</p>
</header>

@if ($marks !== [])
<section aria-label="Plan of deviations">
<h2>Plan</h2>
<div class="plan"><svg id="plan" tabindex="0" role="img" aria-label="Plan of the marks; arrows lead from the design to where they were found"></svg>
<div class="bar"><button id="in" aria-label="Larger">+</button><button id="less" aria-label="Smaller">−</button><button id="whole">Whole</button></div>
<div class="scale"><span id="rod"></span><span id="length"></span><span>arrows {{ number_format($plan['times'], 0, '.', ' ') }} times larger</span><span>↑ N</span></div></div>
</section>

<section aria-label="Marks">
<h2>Marks</h2>
<p class="find"><label>Find <input id="find" type="search" placeholder="name or code"></label>
<label>Show <select id="only"><option value="">all</option>@foreach ($called as $verdict => $words)@if ($counts[$verdict] ?? 0)<option value="{{ $verdict }}">{{ $words }}</option>@endif @endforeach</select></label>
<span id="shown" role="status"></span></p>
<div class="wide"><table id="marks">
<thead><tr><th>name</th><th data-by="figure">verdict</th><th class="n" data-by="size">plan</th><th class="n" data-by="size">height</th><th class="n" data-by="size">north or south</th><th class="n" data-by="size">east or west</th><th class="n" data-by="figure">{{ $a }}</th><th class="n" data-by="figure">{{ $b }}</th><th class="n" data-by="figure">elevation</th><th>code</th></tr></thead>
<tbody>
@foreach ($marks as $i => $m)@php
    $d = $m->deviation();
    [$first, $second] = $place($m->found[0], $m->found[1]);
@endphp
<tr class="{{ $m->verdict }}" data-i="{{ $i }}"><td data-v="{{ $m->name }}"><button class="open" aria-expanded="false">{{ $m->name }}</button><small>{{ $m->kind === 'stake' ? 'staked' : 'built' }} {{ $figures->time($m->at) }}</small></td><td data-v="{{ ['out' => 0, 'close' => 1, 'undecided' => 2, 'in' => 3][$m->verdict] ?? 4 }}"><b>{{ $called[$m->verdict] ?? $m->verdict }}</b></td><td class="n" data-v="{{ $m->plan }}">{{ $figures->deviation($m->plan) }} <small>{{ $figures->uncertain($m->planUncertain) }}</small></td><td class="n" data-v="{{ $d?->height }}">{{ $figures->sided(Side::Height, $d?->height, '–') }} <small>{{ $figures->uncertain($m->heightUncertain) }}</small></td><td class="n" data-v="{{ $d?->northing }}">{{ $figures->sided(Side::Northing, $d?->northing, '–') }}</td><td class="n" data-v="{{ $d?->easting }}">{{ $figures->sided(Side::Easting, $d?->easting, '–') }}</td><td class="n" data-v="{{ $first }}">{{ $figures->length($first) }}</td><td class="n" data-v="{{ $second }}">{{ $figures->length($second) }}</td><td class="n" data-v="{{ $m->found[2] ?? '' }}">{{ $figures->length($m->found[2] ?? null) }}</td><td>{{ $m->code }}</td></tr>
@endforeach
</tbody></table></div>
</section>
@endif

@if ($head['common'] ?? '')<p>{{ $head['common'] }}</p>@endif

<section aria-label="Setups">
<h2>Setups</h2>
<div class="wide"><table><thead><tr><th>setup</th><th>time</th><th>station</th><th>instrument</th><th class="n">{{ $a }}</th><th class="n">{{ $b }}</th><th class="n">elevation</th><th class="n">instrument height</th><th class="n">deviation in plan</th><th class="n">in height</th></tr></thead><tbody>
@foreach ($setups as $s)@php [$first, $second] = $place($s['northing'], $s['easting']); @endphp
<tr><td>{{ $s['number'] }}</td><td>{{ $figures->time($s['at']) }}</td><td>{{ $s['station'] }}</td><td>{{ $s['instrument'] }}</td><td class="n">{{ $figures->length($first) }}</td><td class="n">{{ $figures->length($second) }}</td><td class="n">{{ $figures->length($s['elevation']) }}</td><td class="n">{{ $figures->length($s['instrumentHeight']) }}</td><td class="n">{{ $figures->deviation($s['plan']) }}</td><td class="n">{{ $figures->deviation($s['height']) }}</td></tr>
@endforeach
</tbody></table></div>
@if ($checks !== [])
<h2>Check shots</h2>
<div class="wide"><table><thead><tr><th>on</th><th>time</th><th>setup</th><th class="n">north or south</th><th class="n">east or west</th><th class="n">plan</th><th class="n">height</th></tr></thead><tbody>
@foreach ($checks as $c)@php $d = $c->deviation(); @endphp
<tr><td>{{ $c->name }}</td><td>{{ $figures->time($c->at) }}</td><td>{{ $c->setup }}</td><td class="n">{{ $figures->sided(Side::Northing, $d?->northing, '–') }}</td><td class="n">{{ $figures->sided(Side::Easting, $d?->easting, '–') }}</td><td class="n">{{ $figures->deviation($d?->plan) }}</td><td class="n">{{ $figures->sided(Side::Height, $d?->height, '–') }}</td></tr>
@endforeach
</tbody></table></div>
@endif
@if ($corrections !== [])
<h2>Corrections</h2>
<div class="wide"><table><thead><tr><th>time</th><th>what was corrected</th><th>why, and by whom</th><th class="n">marks, moved at most</th><th class="n">another verdict</th><th class="n">told otherwise in reports</th></tr></thead><tbody>
@foreach ($corrections as $c)
<tr><td>{{ $figures->time($c->at) }}</td><td>{{ App\Reports\CorrectionWords::of($c, $figures) }}</td><td>{{ implode(', ', array_filter([$c->note, $c->by])) }}</td><td class="n">{{ $c->marks === 0 ? '–' : $c->marks.', '.$figures->deviation($c->plan) }}</td><td class="n">{{ $c->turned ?: '–' }}</td><td class="n">{{ $c->reports === [] ? '–' : implode(', ', $c->reports) }}</td></tr>
@endforeach
</tbody></table></div>
@endif
</section>
<script type="application/json" id="data">{!! json_encode(['plan' => $plan, 'head' => $traceHead, 'trace' => $trace], JSON_HEX_TAG | JSON_HEX_AMP | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR) !!}</script>
<script>
@include('handed.script')
</script>
</body>
</html>
