<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head><meta charset="utf-8"><title>{{ __('What we found') }}, {{ $client['code'] }}</title>@include('papers.style')</head>
<body>
<div class="head">
  <p class="quiet">{{ $clinic }}</p>
  <h1>{{ __('What we found') }}</h1>
  <p class="quiet">{{ $client['name'] }} · {{ __(':date, visit :number', $visit) }} · {{ $therapist }}</p>
</div>
<div class="body">
  {!! $figure !!}
  <p class="quiet">{{ __('Shaded: where it hurts. A ring: tender, the thicker the more; filled: it felt like your own pain.') }}</p>
</div>
<div class="beside">
<div class="part"><h2>{{ __('What you told us') }}</h2>
  @forelse ($reason as $text)<p>{{ $text }}</p>@empty<p>{{ __('Nothing today.') }}</p>@endforelse
</div>
<div class="part"><h2>{{ __('What may explain it') }}</h2>
  @forelse ($explains as $one)<p><b>{{ $one['name'] }}.</b> {{ $one['words'] }}</p>
  @empty<p>{{ __('Nothing stands out yet from what was measured and felt.') }}</p>
  @endforelse
  @foreach ($chains as $text)<p>{{ $text }}</p>@endforeach
</div>
</div>
@if ($found !== [])
<div class="part"><h2>{{ __('What was found') }}</h2>
  @foreach ($found as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
<p class="quiet foot">{{ __('Muscles were looked at, moved and felt; this helps to plan massage and is not a diagnosis.') }}
{{ __('If something new worries you, ask a doctor.') }}</p>
</body>
</html>
