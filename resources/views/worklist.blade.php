@php([$a, $b] = $figures->order())
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<style>
    @include('printed')
</style>
</head>
<body>
<h1>{{ $list->name }}</h1>
<p>{{ $project->name }} · {{ count($points) }} points, {{ count($points->filter(fn ($p) => isset($done[$p->id]))) }} done when this was printed. Lengths as written, coordinates of the site grid.</p>
@if ($drawing !== null)<img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}" style="width: 100%">@endif
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
