<!DOCTYPE html>
<html lang="{{ str_replace('_', '-', app()->getLocale()) }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    @if (($unsent = \App\Support\UnsentKey::forPage(request())) !== null)
        <meta name="somatrace-seal" content="{{ $unsent['key'] }}" data-user="{{ $unsent['user'] }}">
    @endif
    <link rel="icon" href="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16'%3E%3Crect width='16' height='16' fill='%23f5efe4'/%3E%3Crect x='7' width='2' height='16' fill='%232b1f17'/%3E%3C/svg%3E">
    @vite(['resources/js/app.ts'])
    @inertiaHead
</head>
<body>
    @inertia
</body>
</html>
