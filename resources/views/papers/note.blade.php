<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head><meta charset="utf-8"><title>{{ __('Note') }}, {{ $client['code'] }}</title>@include('papers.style')</head>
<body>
<div class="head">
  <p class="quiet">{{ $clinic }}</p>
  <h1>{{ $client['name'] }}</h1>
  <p class="quiet">{{ $client['code'] }}, {{ __('born :born', ['born' => $client['born']]) }} ·
    {{ __('note of visit :number, :date, :minutes min', $visit) }} · {{ $therapist }}</p>
</div>
<div class="body">
  {!! $figure !!}
  <p class="quiet">{{ __('Shaded: where it hurts. A ring: tender, the thicker the more; filled: the client’s own pain. Left is the client’s left.') }}</p>
</div>
<div class="beside">
@foreach (array_intersect_key($told, array_flip($beside)) as $part)
<div class="part"><h2>{{ $part['heading'] }}</h2>
  @foreach ($part['sentences'] as $text)<p>{!! nl2br(e($text)) !!}</p>@endforeach
</div>
@endforeach
</div>
@foreach (array_diff_key($told, array_flip($beside)) as $id => $part)
<div class="part"><h2>{{ $part['heading'] }}</h2>
  @foreach ($part['sentences'] as $text)<p>{!! nl2br(e($text)) !!}</p>@endforeach
</div>
@if ($id === 'done' && $note['changes'] !== [])
<div class="part"><h2>{{ __('Before and after') }}</h2>
  <table class="rows">
    @foreach ($note['changes'] as $one)
    <tr>
      <td>{{ $one['name'] }}{{ $one['side'] === 'midline' ? '' : ', '.__($one['side']) }}</td>
      <td style="width: 2cm">{{ $one['before'] }}</td>
      <td style="width: 2cm"><b>{{ $one['after'] }}</b></td><td style="width: 3.6cm">{{ $one['words'] }}</td>
    </tr>
    @endforeach
  </table>
</div>
@endif
@endforeach
@if ($unreadable !== [])
<p class="quiet">{{ __('Stored, not readable any more, and no part of this: :what.', ['what' => implode('; ', $unreadable)]) }}</p>
@endif
<div class="foot">
@foreach ($revisions as $one)
  @php($told = ['number' => $one['revision'] - 1, 'by' => $one['by'], 'at' => $one['at']])
  @php($signed = $one['revision'] === 1 ? __('Signed by :by, :at', $told) : __('Correction :number by :by, :at', $told))
  <p>{{ $signed }}{{ $one['reason'] === null ? '' : ": {$one['reason']}" }}.
  @if ($one['second']) {{ __('Countersigned by :second.', ['second' => $one['second']]) }}
  @elseif ($one['waits']) {{ __('A supervisor’s name is still missing.') }} @endif
  @foreach ($one['changed'] as $change)
    <br>{{ $change['heading'] }}:
    @foreach ($change['pieces'] as $piece)
      @if ($piece['kind'] === 'added')<ins>{{ $piece['text'] }}</ins>
      @elseif ($piece['kind'] === 'removed')<del>{{ $piece['text'] }}</del>
      @else{{ $piece['text'] }}
      @endif
    @endforeach
  @endforeach
  <br><span class="quiet">{{ __('Atlas :version', ['version' => $one['atlas']]) }} · {{ $one['hash'] }}</span></p>
@endforeach
</div>
</body>
</html>
