@php
    use App\Setups\SetupMethod;
    use Parlay\Core\Units\Side;
@endphp
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<style>
    @include('printed')
    body { font-size: 8pt; }
    h2 { font-size: 10.5pt; }
    th { font-size: 7pt; padding: 2pt 3pt; }
    td { padding: 2pt 3pt; }
    .quiet { color: #555; }
</style>
</head>
<body>
<h1>{{ $report->wanted->name ?: 'Stakeout and as-built report' }}</h1>
<table>
    <tr><td width="18%">Project</td><td>{{ $report->project->name }}</td><td width="18%">Report</td><td><b>no. {{ $stamp->number }}</b>, {{ $figures->time($report->at) }}</td></tr>
    <tr><td>Made by</td><td>{{ $report->wanted->author ?: 'not given' }}</td><td>Tolerance</td><td>plan {{ $figures->deviation($report->project->plan_tolerance) }}, height {{ $figures->heightTolerance($report->project->tolerance()) }}</td></tr>
    <tr><td>Covers</td><td>{{ $report->covers }}</td><td>Checksum</td><td>{{ App\Reports\Models\ReportIssue::short($stamp->checksum) }} (of its figures, sha-256)</td></tr>
    <tr><td>Design files</td><td colspan="3">@forelse ($report->designs as $design){{ $design->name }} ({{ $design->file_name }}, sha-256 {{ substr($design->file_hash, 0, 12) }}, taken {{ $figures->time($design->taken_at) }})@if (! $loop->last); @endif @empty none @endforelse</td></tr>
    @php
        $guarded = $report->project->acceptance === Parlay\Core\Stakeout\Acceptance::Guarded;
        $level = rtrim(rtrim(number_format(100 * $report->project->acceptance_level, 1, '.', ''), '0'), '.').' %';
    @endphp
    <tr><td>Result</td><td colspan="3"><b>{{ count($report->counting()) }} {{ count($report->counting()) === 1 ? 'mark counts' : 'marks count' }} ({{ $report->ofKind('stake') }} staked, {{ $report->ofKind('as_built') }} built): {{ $counts->in }} in tolerance, {{ $counts->out }} out, @if ($guarded){{ $counts->close }} too close to call, @endif{{ $counts->undecided }} without design.</b>@if (count($report->rows) > count($report->counting())) {{ count($report->rows) - count($report->counting()) }} earlier ones were replaced by a later mark of the same point.@endif</td></tr>
    @if ($former !== null)
    <tr><td>Since report {{ $former->number }}</td><td colspan="3">@if ($changes === 0)Nothing changed against report {{ $former->number }} of {{ $figures->time($former->at) }}.@else<b>{{ $changes }} {{ $changes === 1 ? 'mark is' : 'marks are' }} told otherwise than in report {{ $former->number }} of {{ $figures->time($former->at) }}, {{ $turned }} with another verdict.</b> The list stands behind these pages.@endif</td></tr>
    @endif
    <tr><td>Rule</td><td colspan="3">@if ($guarded)Guarded acceptance at {{ $level }} (JCGM 106:2012): a mark counts as in where it conforms to its tolerance with that probability or more, as out where it does not with the same, and is too close to call between these.@else Simple acceptance (JCGM 106:2012): in or out is by the measured figure alone.@if ($report->close() > 0) {{ $report->close() }} {{ $report->close() === 1 ? 'is' : 'are' }} less sure than {{ $level }}; how probable it is stands beside each.@endif @endif The uncertainty of a mark is that of its setup and control, of its reading, of the pole and of the heights of instrument and target, as stated for them; ± holds in 95 of 100 cases.</td></tr>
</table>

<h2>Setups</h2>
@foreach ($report->setups->take(App\Reports\Tasks\PrintReport::SETUPS_ON_THE_SHEET) as $setup)
<table>
    <tr><td colspan="6"><b>Setup {{ $setup->number }}</b>, {{ $figures->time($setup->at) }}, {{ SetupMethod::from($setup->method)->words() }} at {{ $setup->station_name }}, {{ $setup->instrument }}, instrument height {{ $figures->length($setup->instrument_height) }}.
        @if ($setup->found()->passes === false) <b>Its sights don’t fit each other: how far it may be wrong cannot be said.</b> @else Standard deviation: plan {{ $figures->deviation(hypot($setup->precision()->northing(), $setup->precision()->easting())) }}, height {{ $figures->deviation($setup->precision()->height()) }}, orientation {{ $figures->smallAngle($setup->precision()->orientation()) }}. @endif</td></tr>
    <tr><th>sight</th><th>used</th><th class="n">direction</th><th class="n">across</th><th class="n">distance</th><th class="n">height</th></tr>
    @foreach ($setup->found()->residuals as $r)
    <tr><td>{{ $r->name }}</td><td>{{ $r->isUsed() ? 'yes' : 'no' }}</td><td class="n">{{ $figures->sidedAngle(Side::Across, $r->direction) }}</td><td class="n">{{ $figures->sided(Side::Across, $r->across) }}</td><td class="n">{{ $figures->sided(Side::Length, $r->distance) }}</td><td class="n">{{ $figures->sided(Side::Height, $r->height) }}</td></tr>
    @endforeach
    @foreach ($setup->found()->cautions as $caution)<tr><td colspan="6" class="quiet">{{ \Parlay\Words\Cautions::sentence($caution) }}</td></tr>@endforeach
</table>
@endforeach
@if ($report->setups->count() > App\Reports\Tasks\PrintReport::SETUPS_ON_THE_SHEET)<p class="quiet">The other {{ $report->setups->count() - App\Reports\Tasks\PrintReport::SETUPS_ON_THE_SHEET }} setups stand behind.</p>@endif
@if ($control->isNotEmpty() && $control->count() <= App\Reports\Tasks\PrintReport::CONTROL_ON_THE_SHEET)
<table>
    <tr><th>control</th><th class="n">{{ $figures->order()[0] }}</th><th class="n">{{ $figures->order()[1] }}</th><th class="n">elevation</th><th class="n">standard deviation, plan / height</th><th>where from</th></tr>
    @foreach ($control as $c)
    <tr>@foreach ($tables->controlCells($c) as $i => $cell)<td @if ($i > 0 && $i < 5) class="n" @endif>@if ($i === 0)<b>{{ $cell[0] }}</b>@else{{ implode(' / ', $cell) }}@endif</td>@endforeach</tr>
    @endforeach
</table>
@endif
@php($used = $report->setups->pluck('instrument')->filter()->unique())
@if ($used->isNotEmpty())
<table>
    <tr><th>instrument</th><th class="n">direction</th><th class="n">zenith</th><th class="n">distance</th><th>calibrated</th><th>certificate</th></tr>
    @foreach ($used as $name)
    @php($i = $instruments->firstWhere('name', $name))
    @if ($i === null)
    <tr><td><b>{{ $name }}</b></td><td class="n" colspan="3">as it states for itself</td><td>not given</td><td>not given</td></tr>
    @else
    <tr><td><b>{{ $i->name }}</b></td><td class="n">{{ $i->direction_seconds }}″</td><td class="n">{{ $i->zenith_seconds }}″</td><td class="n">{{ $i->distance_millimetres }} mm + {{ $i->distance_ppm }} ppm</td><td>{{ $i->calibrated_on ?: 'not given' }}</td><td>{{ $i->certificate ?: 'not given' }}</td></tr>
    @endif
    @endforeach
</table>
@endif
@if ($report->checks !== [] && count($report->checks) <= App\Reports\Tasks\PrintReport::CHECKS_ON_THE_SHEET)
<table>
    <tr><th>check shot on</th><th>time</th><th>setup</th><th class="n">north or south</th><th class="n">east or west</th><th class="n">plan</th><th class="n">height</th></tr>
    @foreach ($report->checks as $c)
    <tr><td>{{ $c->mark->name }}</td><td>{{ $figures->time($c->at) }}</td><td>{{ $c->mark->setup->number }}</td><td class="n">{{ $figures->sided(Side::Northing, $c->deviation?->northing, '–') }}</td><td class="n">{{ $figures->sided(Side::Easting, $c->deviation?->easting, '–') }}</td><td class="n">{{ $figures->deviation($c->deviation?->plan) }}</td><td class="n">{{ $figures->sided(Side::Height, $c->deviation?->height, '–') }}</td></tr>
    @endforeach
</table>
@endif

@if ($drawing !== null)
{{-- A heading never stands alone at the foot of a page. --}}
<div style="page-break-inside: avoid">
<h2>Deviations in plan</h2>
<img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}" style="width: 100%">
<div class="quiet">○ in tolerance · ▲ out of tolerance. Each arrow runs from the design toward what was found. Names are left out where there is no room; the table has all.</div>
</div>
@endif
@if ($scatter !== null)
<div style="page-break-inside: avoid">
<h2>What they have in common</h2>
<img src="data:image/svg+xml;base64,{{ base64_encode($scatter) }}" style="width: 100%">
@if ($growth !== null)<img src="data:image/svg+xml;base64,{{ base64_encode($growth) }}" style="width: 100%">@endif
<div>{{ $common }}</div>
</div>
@endif

</body>
</html>
