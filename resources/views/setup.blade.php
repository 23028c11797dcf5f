@php
    use App\Http\Bodies\SetupMethod;
    use Parlay\Core\Units\CoordinateOrder;
    $l = fn (?float $m) => $m === null ? '–' : $units->length->format($m);
    $d = fn (?float $m) => $m === null ? 'not checked' : $units->length->formatDeviation($m);
    $s = fn (?float $r) => $r === null ? 'not checked' : $units->angle->formatSmall($r);
    [$a, $b] = $units->order === CoordinateOrder::NorthingEasting ? ['northing', 'easting'] : ['easting', 'northing'];
@endphp
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<style>
    @include('printed')
</style>
</head>
<body>
<h1>Setup {{ $setup->id }}, {{ $setup->station_name }}</h1>
<p>{{ $project->name }} · {{ substr($setup->at, 0, 16) }} UTC · {{ SetupMethod::from($setup->method)->words() }} · {{ $setup->instrument }} · computed by Parlay {{ $setup->computed_by }}</p>
@if ($setup->note !== '')<p><b>Mended:</b> {{ $setup->note }} (stands for setup {{ $setup->stands_for }})</p>@endif
<h2>The station</h2>
<table>
    <tr><th class="n">{{ $a }}</th><th class="n">{{ $b }}</th><th class="n">elevation</th><th class="n">circle zero at</th><th class="n">instrument height</th></tr>
    <tr><td class="n">{{ $l($setup->$a) }}</td><td class="n">{{ $l($setup->$b) }}</td><td class="n">{{ $l($setup->elevation) }}</td><td class="n">{{ $units->direction->format($setup->orientation, $units->angle) }}</td><td class="n">{{ $l($setup->instrument_height) }}</td></tr>
</table>
<p>
    Standard deviations: northing {{ $d($solution['northingDeviation']) }}, easting {{ $d($solution['eastingDeviation']) }}, height {{ $solution['heightDeviation'] === null ? 'none' : $d($solution['heightDeviation']) }}, orientation {{ $s($solution['orientationDeviation']) }}.
    @isset($solution['ellipseMajor']) 95 % ellipse (2.4477 times the deviations expected beforehand): {{ $d($solution['ellipseMajor']) }} by {{ $d($solution['ellipseMinor']) }}.@endisset
    @if ($solution['fit'] !== null) Residuals are {{ number_format($solution['fit'], 1) }} times what the instrument’s accuracy explains, from {{ $solution['redundancy'] }} spare observations. @else Nothing is spare: nothing is checked. @endif
</p>
@if ($drawing !== null)
<img src="data:image/svg+xml;base64,{{ base64_encode($drawing['svg']) }}" style="width: 100%">
<p>Residuals and ellipse are drawn {{ number_format($drawing['times']) }} times as large as they are.</p>
@endif
@if ($entry->residuals !== [])
<h2>Residuals, measured less computed</h2>
<table>
    <thead><tr><th>sight</th><th class="n">direction</th><th class="n">across</th><th class="n">distance</th><th class="n">height</th><th class="n">checked</th></tr></thead>
    @foreach ($entry->residuals as $r)
    <tr><td><b>{{ $r->name }}</b>{{ $r->used ? '' : ' (not used)' }}</td><td class="n">{{ $s($r->direction) }}</td><td class="n">{{ $d($r->across) }}</td><td class="n">{{ $d($r->distance) }}</td><td class="n">{{ $d($r->height) }}</td><td class="n">{{ $r->checked === null ? '–' : round(100 * $r->checked).' %' }}</td></tr>
    @endforeach
</table>
@endif
@if (count($readings) > 0)
<h2>Readings, as they were taken</h2>
<table>
    <thead><tr><th>sighted</th><th class="n">Hz</th><th class="n">V</th><th class="n">slope distance</th><th class="n">target height</th><th class="n">constant</th><th class="n">ppm</th></tr></thead>
    @foreach ($readings as $o)
    <tr><td><b>{{ $o->sighted }}</b> {{ substr($o->at, 11, 5) }}</td><td class="n">{{ $units->angle->format($o->circle) }}</td><td class="n">{{ $units->angle->format($o->zenith) }}</td><td class="n">{{ $o->slope > 0 ? $l($o->slope) : 'angles only' }}</td><td class="n">{{ $l($o->target()->height) }}{{ $o->correction === null ? '' : ' (booked '.$l($o->target_height).')' }}</td><td class="n">{{ number_format(1000 * $o->target()->prismConstant, 1) }} mm</td><td class="n">{{ number_format($o->sight()->ppm, 1) }}</td></tr>
    @endforeach
</table>
@endif
@if ($entry->cautions !== [])
<h2>What speaks against it</h2>
<ul>@foreach ($entry->cautions as $c)<li>{{ $c }}</li>@endforeach</ul>
@endif
@if (count($versions) > 1)
<h2>Versions</h2>
<table>@foreach ($versions as $v)<tr><td>setup {{ $v->id }}</td><td>{{ substr($v->at, 0, 16) }} UTC</td><td class="n">{{ $l($v->$a) }}</td><td class="n">{{ $l($v->$b) }}</td><td class="n">{{ $l($v->elevation) }}</td><td>{{ $v->note === '' ? 'as accepted' : $v->note }}</td></tr>@endforeach</table>
@endif
</body>
</html>
