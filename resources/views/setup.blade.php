@php
    use App\Setups\SetupMethod;
    use Parlay\Core\Units\Side;
    [$a, $b] = $figures->order();
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
<h1>Setup {{ $setup->number }}, {{ $setup->station_name }}</h1>
<p>{{ $project->name }} · {{ $figures->time($setup->at) }} · {{ SetupMethod::from($setup->method)->words() }} · {{ $setup->instrument }} · computed by Parlay {{ $setup->computed_by }}</p>
@if ($setup->note !== '')<p>@if ($setup->stands_for !== null)<b>Mended:</b> @endif{{ $setup->note }}</p>@endif
<h2>The station</h2>
<table>
    <tr><th class="n">{{ $a }}</th><th class="n">{{ $b }}</th><th class="n">elevation</th><th class="n">circle zero at</th><th class="n">instrument height</th></tr>
    <tr><td class="n">{{ $figures->length($setup->$a) }}</td><td class="n">{{ $figures->length($setup->$b) }}</td><td class="n">{{ $figures->length($setup->elevation) }}</td><td class="n">{{ $figures->direction($setup->orientation) }}</td><td class="n">{{ $figures->length($setup->instrument_height) }}</td></tr>
</table>
<p>
    @if ($found->passes === false) <b>The sights don’t fit each other:</b> the deviations and the ellipse are what was expected beforehand, and do not hold. @endif
    Standard deviations: northing {{ $figures->deviation($found->precision->northing()) }}, easting {{ $figures->deviation($found->precision->easting()) }}, height {{ $found->precision->height() === null ? 'none' : $figures->deviation($found->precision->height()) }}, orientation {{ $figures->smallAngle($found->precision->orientation()) }}.
    95 % ellipse (2.4477 times the deviations expected beforehand): {{ $figures->deviation($found->precision->ellipse()->major) }} by {{ $figures->deviation($found->precision->ellipse()->minor) }}.
    @if ($found->unitWeightDeviation !== null) Residuals are {{ number_format($found->unitWeightDeviation, 1) }} times what the instrument’s accuracy explains, from {{ $found->redundancy }} spare observations. @else Nothing is spare: nothing is checked. @endif
</p>
@if ($drawing !== null)
<img src="data:image/svg+xml;base64,{{ base64_encode($drawing['svg']) }}" style="width: 100%">
<p>Residuals and ellipse are drawn {{ number_format($drawing['times']) }} times as large as they are.</p>
@endif
@if ($entry->residuals !== [])
<h2>Residuals: each sight as measured, against its mark, seen from the instrument</h2>
<table>
    <thead><tr><th>sight</th><th class="n">direction</th><th class="n">across</th><th class="n">distance</th><th class="n">height</th><th class="n">checked</th></tr></thead>
    @foreach ($entry->residuals as $r)
    <tr><td><b>{{ $r->name }}</b>{{ $r->isUsed() ? '' : ' (not used)' }}</td><td class="n">{{ $figures->sidedAngle(Side::Across, $r->direction) }}</td><td class="n">{{ $figures->sided(Side::Across, $r->across) }}</td><td class="n">{{ $figures->sided(Side::Length, $r->distance) }}</td><td class="n">{{ $figures->sided(Side::Height, $r->height) }}</td><td class="n">{{ $figures->share($r->checked) }}</td></tr>
    @endforeach
</table>
@endif
@if ($found->shots !== [])
<h2>Shots along lines</h2>
<table>
    <thead><tr><th>line</th><th class="n">off its line</th><th class="n">checked by the others</th><th class="n">error that would show</th></tr></thead>
    @foreach ($found->shots as $r)
    <tr><td><b>{{ $r->line }}</b>{{ $r->reliability === null ? ' (not used)' : '' }}</td><td class="n">{{ $figures->sided(Side::Across, $r->offset) }}</td><td class="n">{{ $figures->share($r->reliability?->redundancy) }}</td><td class="n">{{ $figures->deviation($r->reliability?->detectable, $r->reliability === null ? '–' : 'none would') }}</td></tr>
    @endforeach
</table>
@endif
@if (count($readings) > 0)
<h2>Readings, as they were taken</h2>
<table>
    <thead><tr><th>sighted</th><th class="n">Hz</th><th class="n">V</th><th class="n">slope distance</th><th class="n">target height</th><th class="n">constant</th><th class="n">ppm</th></tr></thead>
    @foreach ($readings as $o)
    <tr><td><b>{{ $o->sighted }}</b> {{ $figures->timeOfDay($o->at) }}</td><td class="n">{{ $figures->angle($o->circle) }}</td><td class="n">{{ $figures->angle($o->zenith) }}</td><td class="n">{{ $o->slope > 0 ? $figures->length($o->slope) : 'angles only' }}</td><td class="n">{{ $figures->length($o->target()->height) }}{{ $o->correction === null ? '' : ' (booked '.$figures->length($o->target_height).')' }}</td><td class="n">{{ number_format(1000 * $o->target()->prismConstant, 1) }} mm</td><td class="n">{{ number_format($o->sight()->ppm, 1) }}</td></tr>
    @endforeach
</table>
@endif
@if ($entry->cautions !== [])
<h2>What speaks against it</h2>
<ul>@foreach ($entry->cautions as $c)<li>{{ $c }}</li>@endforeach</ul>
@endif
@if (count($versions) > 1)
<h2>Versions</h2>
<table>@foreach ($versions as $v)<tr><td>version {{ $loop->iteration }}</td><td>{{ $figures->time($v->at) }}</td><td class="n">{{ $figures->length($v->$a) }}</td><td class="n">{{ $figures->length($v->$b) }}</td><td class="n">{{ $figures->length($v->elevation) }}</td><td>{{ $v->note === '' ? 'as accepted' : $v->note }}</td></tr>@endforeach</table>
@endif
</body>
</html>
