@php
    use Parlay\Core\Units\Side;
    $report = $day->report;
    $count = static fn (string $verdict): int => count(array_filter($report->counting(), static fn ($r) => $r->called() === $verdict));
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
<h1>{{ $report->project->name }}, {{ $wanted->day }}</h1>
<p>Sheet for the foreman{{ $wanted->author === '' ? '' : ', by '.$wanted->author }}, printed {{ $figures->time($report->at) }}. It covers {{ $report->covers }}.</p>

<h2>Done</h2>
@if ($report->counting() === [])
<p><b>Nothing was staked or measured as built on this day.</b></p>
@else
<p><b>{{ $report->ofKind('stake') }} staked, {{ $report->ofKind('as_built') }} built: {{ $count('in') }} in tolerance, {{ $count('out') }} out{{ $count('close') > 0 ? ', '.$count('close').' too close to call' : '' }}{{ $count('undecided') > 0 ? ', '.$count('undecided').' not judged' : '' }}.</b></p>
@endif
@if ($day->codes !== [])
<table>
    <thead><tr><th>code</th><th class="n">staked</th><th class="n">built</th><th class="n">in</th><th class="n">out</th><th class="n">too close</th><th class="n">still to be staked</th></tr></thead>
    @foreach ($day->codes as $c)
    <tr><td><b>{{ $c->code === '' ? 'without a code' : $c->code }}</b></td><td class="n">{{ $c->staked }}</td><td class="n">{{ $c->built }}</td><td class="n">{{ $c->in }}</td><td class="n">{{ $c->out }}</td><td class="n">{{ $c->close }}</td><td class="n">{{ $c->open }}</td></tr>
    @endforeach
</table>
@endif

<h2>What to do</h2>
<ul>
    @if ($day->out !== [])<li>{{ count($day->out) }} {{ count($day->out) === 1 ? 'mark of this day is' : 'marks of this day are' }} to be put right: listed below, each with what to do.</li>@endif
    @if ($day->redo !== [])<li>Out since before this day, to be staked again: {{ implode(', ', $day->redo) }}.</li>@endif
    @if ($day->stillOpen() > 0)<li>{{ $day->stillOpen() }} {{ $day->stillOpen() === 1 ? 'point is' : 'points are' }} still to be staked.</li>@endif
    @if ($due !== null)<li>Before going on: {{ $due }}</li>@endif
    @if ($day->out === [] && $day->redo === [] && $day->stillOpen() === 0 && $due === null)<li>Nothing is open.</li>@endif
</ul>

@if ($day->isShort() && $day->out !== [])
<table>
    <thead><tr><th>name</th><th>code</th><th>to be put right</th></tr></thead>
    @foreach ($day->out as $r)
    <tr><td>☐ <b>{{ $r->mark->name }}</b></td><td>{{ $r->mark->code }}</td><td>{{ $todo->about($r) }}</td></tr>
    @endforeach
</table>
@endif
@if ($day->isShort() && $day->open !== [])
<h2>Still to be staked</h2>
<table>
    @foreach ($day->open as $code => $names)
    <tr><td width="18%"><b>{{ (string) $code === '' ? 'without a code' : $code }}</b></td><td class="n" width="8%">{{ count($names) }}</td><td>{{ implode(', ', $names) }}</td></tr>
    @endforeach
</table>
@endif

<h2>Check shots of this day</h2>
@if ($report->checks === [])
<p>None was taken.</p>
@else
<table>
    <thead><tr><th>on</th><th>time</th><th>setup</th><th class="n">plan</th><th class="n">height</th></tr></thead>
    @foreach ($report->checks as $c)
    <tr><td><b>{{ $c->mark->name }}</b></td><td>{{ $figures->time($c->at) }}</td><td>{{ $c->mark->setup->number }}</td><td class="n">{{ $figures->deviation($c->deviation?->plan) }}</td><td class="n">{{ $figures->sided(Side::Height, $c->deviation?->height, '–') }}</td></tr>
    @endforeach
</table>
@endif
</body>
</html>
