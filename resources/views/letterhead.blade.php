{{-- Who hands over, above what is printed. --}}
<table style="margin-bottom: 10pt"><tr>
<td style="border: 0; width: 50%">@if ($letterhead->logo !== null)<img src="{{ $letterhead->picture() }}" style="max-height: 42pt; max-width: 200pt">@endif</td>
<td style="border: 0; text-align: right"><b>{{ $letterhead->firm }}</b>@foreach (array_filter(explode("\n", $letterhead->address)) as $line)<br>{{ $line }}@endforeach</td>
</tr></table>
