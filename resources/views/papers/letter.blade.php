<!doctype html>
<html lang="{{ app()->getLocale() }}">
<head><meta charset="utf-8"><title>{{ __('Letter') }}, {{ $code }}</title>@include('papers.style')</head>
<body style="font-size: 10.5pt; line-height: 1">
@foreach ($paragraphs as $text)<p style="margin-bottom: 8pt">{!! nl2br(e($text)) !!}</p>@endforeach
</body>
</html>
