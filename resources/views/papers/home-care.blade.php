<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head><meta charset="utf-8"><title>{{ __('For home') }}, {{ $client['code'] }}</title>@include('papers.style')</head>
<body style="font-size: 10.5pt">
<div class="head">
  <p class="quiet">{{ $clinic }}</p>
  <h1>{{ __('For home') }}</h1>
  <p class="quiet">{{ $client['name'] }} · {{ $visit['date'] }} · {{ $therapist }}</p>
</div>
@if ($advice !== '')
<div class="part">{!! nl2br(e($advice)) !!}</div>
@endif
@forelse ($given as $index => $one)
<div class="part" style="padding-left: 6.6cm; min-height: 3.2cm">
  @foreach ($drawings[$index] as $drawing)
  <img src="{{ $drawing }}" style="position: absolute; left: {{ $loop->index * 3.2 }}cm; top: 4pt; max-width: 3cm; max-height: 3cm">
  @endforeach
  <p style="font-size: 13pt"><b>{{ $one['name'] }}</b>{{ in_array($one['side'], ['left', 'right'], true) ? ', '.__($one['side']) : '' }}</p>
  <p><b>{{ $one['dose'] }}, {{ $one['how_often'] }}</b></p>
  @foreach ($one['steps'] as $step)<p>{{ $loop->iteration }}. {{ $step }}.</p>@endforeach
  @if ($one['stop'] !== '')<p class="quiet">{{ $one['stop'] }}</p>@endif
</div>
@empty
@if ($advice === '')<p>{{ __('Nothing was handed out.') }}</p>@endif
@endforelse
@if ($expect !== [])
<div class="part"><h2>{{ __('After today') }}</h2>
  @foreach ($expect as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
</body>
</html>
