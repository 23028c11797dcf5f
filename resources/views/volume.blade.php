<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<style>
    @include('printed')
    .box { display: inline-block; width: 14pt; height: 8pt; border: .4pt solid #777; }
</style>
</head>
<body>
<h1>Volume</h1>
<p>{{ $project->name }} · {{ $figures->time($at) }} · <b>{{ $found->of }}</b></p>
<table>
    <thead><tr><th>by</th><th class="n">cut</th><th class="n">fill</th><th class="n">net</th></tr></thead>
    @foreach ([
        ['prisms between the triangles, exact', $found->cut, $found->fill],
        ['columns of a grid, '.$figures->length($found->gridWidth).' wide', $found->gridCut, $found->gridFill],
        ...($found->endAreaCut === null ? [] : [['end areas of '.count($found->sections).' sections', $found->endAreaCut, $found->endAreaFill]]),
    ] as [$by, $cut, $fill])
    <tr><td>{{ $by }}</td><td class="n">{{ $figures->volume($cut) }}</td><td class="n">{{ $figures->volume($fill) }}</td><td class="n">{{ $figures->volume(abs($cut - $fill)) }} {{ $cut >= $fill ? 'cut' : 'fill' }}</td></tr>
    @endforeach
</table>
<p>
    Over {{ $figures->area($found->area) }} in plan: {{ $figures->area($found->cutArea) }} in cut, {{ $figures->area($found->fillArea) }} in fill.
    On average {{ $figures->length(abs($found->thickness)) }} {{ $found->thickness >= 0 ? 'cut' : 'fill' }}; at most {{ $figures->length($found->deepestCut) }} cut and {{ $figures->length($found->deepestFill) }} fill.
    Cut is where what is there lies above what it is held against.
    @if ($found->endAreaCut !== null) End areas give too much where an area begins or ends between two sections. @endif
</p>
<h2>From above</h2>
<img src="data:image/svg+xml;base64,{{ base64_encode($drawing['svg']) }}" style="width: 100%">
<table>
    <tr>@foreach ($drawing['legend'] as $l)<td><span class="box" style="background: {{ $l['colour'] }}">{{ $l['striped'] ? '///' : '' }}</span><br>{{ $l['words'] }}</td>@endforeach</tr>
</table>
<p>Drawn by squares {{ $figures->length($drawing['side']) }} wide, read at the middle of each; no figure comes from the drawing.</p>
</body>
</html>
