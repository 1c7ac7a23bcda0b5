<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head><meta charset="utf-8"><title>{{ __('How it has gone') }}, {{ $client['code'] }}</title>@include('papers.style')
<style>
  .pair { margin: 5pt 0 3pt 2.5cm; width: 12.4cm } .pair > tr > td { width: 6.2cm }
</style></head>
<body>
<div class="head">
  <p class="quiet">{{ $clinic }}</p>
  <h1>{{ __('How it has gone') }}</h1>
  @php($who = implode(', ', [$client['name'], ...$born === null ? [] : [__('born :born', ['born' => $born])]]))
  <p class="quiet">{{ implode(' · ', array_filter([$who, $date, $therapist])) }}</p>
</div>
@if ($report === null)
<p>{{ __('No visit has ended yet: there is nothing to report.') }}</p>
@else
@if ($own['words'] !== '')
<div class="part">@foreach (preg_split('/\n{2,}/', $own['words']) as $text)<p>{!! nl2br(e($text)) !!}</p>@endforeach</div>
@endif
<div class="part"><h2>{{ __('In short') }}</h2>
  @foreach ($report['summary'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@if ($figures !== null)
<table class="pair"><tr>
  @foreach (['first', 'last'] as $when)
  <td><p><b>{{ $figures[$when]['date'] }}</b></p>{!! $drawn[$when] !!}</td>
  @endforeach
</tr></table>
<p class="quiet">{{ $for === 'client'
  ? __('Shaded: where it hurts. A ring: tender, the thicker the more; filled: it felt like your own pain.')
  : __('Shaded: where it hurts. A ring: tender, the thicker the more; filled: it felt like their own pain.') }}</p>
@endif
@if ($report['changes'] !== [])
<div class="part"><h2>{{ __('Measured') }}</h2>
  <table class="rows">
    @php([$from, $to] = [$report['changes'][0]['from'], $report['changes'][0]['to']])
    <tr class="quiet"><th>{{ __('What') }}</th><th>{{ $from }}</th><th>{{ $to }}</th><th>{{ __('What it amounts to') }}</th></tr>
    @foreach ($report['changes'] as $one)
    <tr><td>{{ $one['name'] }}</td>
      <td>{{ $one['first'] }}@if ($one['from'] !== $from) <span class="quiet">{{ $one['from'] }}</span>@endif</td>
      <td>{{ $one['last'] }}@if ($one['to'] !== $to) <span class="quiet">{{ $one['to'] }}</span>@endif</td><td>{{ $one['words'] }}</td></tr>
    @endforeach
  </table>
  @if ($report['once'] !== [])
  <p class="quiet">{{ __('Measured once, so nothing is said of it: :what.', ['what' => implode('; ', $report['once'])]) }}</p>
  @endif
</div>
@endif
@if ($report['goals'] !== [])
<div class="part"><h2>{{ __('Goals') }}</h2>
  @foreach ($report['goals'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
@if ($report['worked'] !== [])
<div class="part"><h2>{{ __('Worked on') }}</h2>
  @foreach ($report['worked'] as $one)<p><b>{{ $one['name'] }}</b>, {{ $one['words'] }}.</p>@endforeach
</div>
@endif
@if ($report['helped'] !== [])
<div class="part"><h2>{{ __('What helped') }}</h2>
  @foreach ($report['helped'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
@if ($report['ahead'] !== [])
<div class="part"><h2>{{ __('Ahead') }}</h2>
  @foreach ($report['ahead'] as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
@endif
<p class="quiet foot">{{ __('Muscles were looked at, moved, felt and treated; this is no diagnosis.') }}
{{ __('A change counts where it is larger than two measurements of the same thing may differ.') }}</p>
</body>
</html>
