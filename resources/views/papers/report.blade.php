<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>How it has gone, {{ $client['code'] }}</title>@include('papers.style')
<style>
  .pair { margin: 5pt 0 3pt 2.5cm; width: 12.4cm } .pair > tr > td { width: 6.2cm }
</style></head>
<body>
<div class="head">
  <p class="quiet">{{ $clinic }}</p>
  <h1>How it has gone</h1>
  <p class="quiet">{{ implode(' · ', array_filter([$client['name'].($born === null ? '' : ", born $born"), $date, $therapist])) }}</p>
</div>
@if ($report === null)
<p>No visit has ended yet: there is nothing to report.</p>
@else
@if ($own['words'] !== '')
<div class="part">@foreach (preg_split('/\n{2,}/', $own['words']) as $text)<p>{!! nl2br(e($text)) !!}</p>@endforeach</div>
@endif
<div class="part"><h2>In short</h2>
  @foreach ($report['summary'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@if ($figures !== null)
<table class="pair"><tr>
  @foreach (['first', 'last'] as $when)
  <td><p><b>{{ $figures[$when]['date'] }}</b></p>{!! $drawn[$when] !!}</td>
  @endforeach
</tr></table>
<p class="quiet">Shaded: where it hurts. A ring: tender, the thicker the more; filled: it felt like
{{ $for === 'client' ? 'your' : 'their' }} own pain.</p>
@endif
@if ($report['changes'] !== [])
<div class="part"><h2>Measured</h2>
  <table class="rows">
    @php([$from, $to] = [$report['changes'][0]['from'], $report['changes'][0]['to']])
    <tr class="quiet"><th>What</th><th>{{ $from }}</th><th>{{ $to }}</th><th>What it amounts to</th></tr>
    @foreach ($report['changes'] as $one)
    <tr><td>{{ $one['name'] }}</td>
      <td>{{ $one['first'] }}@if ($one['from'] !== $from) <span class="quiet">{{ $one['from'] }}</span>@endif</td>
      <td>{{ $one['last'] }}@if ($one['to'] !== $to) <span class="quiet">{{ $one['to'] }}</span>@endif</td><td>{{ $one['words'] }}</td></tr>
    @endforeach
  </table>
  @if ($report['once'] !== [])<p class="quiet">Measured once, so nothing is said of it: {{ implode('; ', $report['once']) }}.</p>@endif
</div>
@endif
@if ($report['goals'] !== [])
<div class="part"><h2>Goals</h2>
  @foreach ($report['goals'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
@if ($report['worked'] !== [])
<div class="part"><h2>Worked on</h2>
  @foreach ($report['worked'] as $one)<p><b>{{ $one['name'] }}</b>, {{ $one['words'] }}.</p>@endforeach
</div>
@endif
@if ($report['helped'] !== [])
<div class="part"><h2>What helped</h2>
  @foreach ($report['helped'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
@if ($report['ahead'] !== [])
<div class="part"><h2>Ahead</h2>
  @foreach ($report['ahead'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
@endif
<p class="quiet foot">Muscles were looked at, moved, felt and treated; this is no diagnosis.
A change counts where it is larger than two measurements of the same thing may differ.</p>
</body>
</html>
