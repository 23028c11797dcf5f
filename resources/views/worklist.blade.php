@php([$a, $b] = $figures->order())
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<style>
    @include('printed')
    td { padding: 4pt 3pt; }
    .box { width: 11pt; height: 11pt; border: 1pt solid #1d1b16; text-align: center; }
</style>
</head>
<body>
<h1>{{ $list->name }}</h1>
<p>{{ $project->name }} · {{ count($points) }} points, {{ count($points->filter(fn ($p) => isset($done[$p->id]))) }} done when this was printed. Lengths as written, coordinates of the site grid.</p>
@if ($drawing !== null)<img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}" style="width: 100%">@endif
<h2>Points, in the order of the walk</h2>
<table>
    <thead><tr><th></th><th></th><th>name</th><th>code</th><th class="n">{{ $a }}</th><th class="n">{{ $b }}</th><th class="n">elevation</th><th>description</th></tr></thead>
    @foreach ($points as $i => $p)
    <tr><td><div class="box">{{ isset($done[$p->id]) ? '✓' : '' }}</div></td><td class="n">{{ $i + 1 }}</td><td><b>{{ $p->name }}</b></td><td>{{ $p->code }}</td><td class="n">{{ $figures->length($p->$a) }}</td><td class="n">{{ $figures->length($p->$b) }}</td><td class="n">{{ $figures->length($p->elevation) }}</td><td>{{ $p->description }}</td></tr>
    @endforeach
</table>
@if (count($control) > 0)
<h2>Control</h2>
<table>
    <thead><tr><th>name</th><th>code</th><th class="n">{{ $a }}</th><th class="n">{{ $b }}</th><th class="n">elevation</th></tr></thead>
    @foreach ($control as $c)
    <tr><td><b>{{ $c->name }}</b></td><td>{{ $c->code }}</td><td class="n">{{ $figures->length($c->$a) }}</td><td class="n">{{ $figures->length($c->$b) }}</td><td class="n">{{ $figures->length($c->elevation) }}</td></tr>
    @endforeach
</table>
@endif
</body>
</html>
