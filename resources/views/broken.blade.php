<!DOCTYPE html>
<html lang="{{ app()->getLocale() }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ __('Something broke, on our side') }}</title>
    <style>
        body { margin: 14vh auto 0; max-width: 52ch; padding: 0 24px; background: #f5efe4; color: #2b1f17; font: 16px/23px sans-serif }
        h1 { font: 600 31px/36px serif }
        a { display: inline-block; margin-top: 8px; padding: 12px 20px; background: #2b1f17; color: #fcf9f3; text-decoration: none }
    </style>
</head>
<body>
    <main>
        <h1>{{ __('Something broke, on our side') }}</h1>
        <p>{{ __('Nothing that was saved is lost, and what could not be sent is kept in your window: leave it open.') }}</p>
        <p>{{ __('Try once more in a minute. If it stays so, tell whoever keeps this installation: :status, :at.', compact('status', 'at')) }}</p>
        <p><a href="/">{{ __('Try again') }}</a></p>
    </main>
</body>
</html>
