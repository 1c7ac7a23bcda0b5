<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>What we found, {{ $client['code'] }}</title>@include('papers.style')</head>
<body>
<div class="head">
  <p class="quiet">{{ $clinic }}</p>
  <h1>What we found</h1>
  <p class="quiet">{{ $client['name'] }} · {{ $visit['date'] }}, visit {{ $visit['number'] }} · {{ $therapist }}</p>
</div>
<div class="body">
  {!! $figure !!}
  <p class="quiet">Shaded: where it hurts. A ring: tender, the thicker the more; filled: it felt like your own pain.</p>
</div>
<div class="beside">
<div class="part"><h2>Where it hurts</h2>
  @forelse ($reason as $text)<p>{{ $text }}</p>@empty<p>Nothing today.</p>@endforelse
</div>
<div class="part"><h2>What may explain it</h2>
  @forelse ($explains as $one)<p><b>{{ $one['name'] }}.</b> {{ $one['words'] }}</p>
  @empty<p>Nothing stands out yet from what was measured and felt.</p>
  @endforelse
  @foreach ($chains as $text)<p>{{ $text }}</p>@endforeach
</div>
</div>
@if ($found !== [])
<div class="part"><h2>What was found</h2>
  @foreach ($found as $text)<p>{{ $text }}</p>@endforeach
</div>
@endif
<p class="quiet foot">Muscles were looked at, moved and felt; this helps to plan massage and is not a diagnosis.
If something new worries you, ask a doctor.</p>
</body>
</html>
