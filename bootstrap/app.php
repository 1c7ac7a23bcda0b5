<?php

declare(strict_types=1);

use App\Http\Middleware\EndForTheDeactivated;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\KeepLocked;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\WriteAudit;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', commands: __DIR__.'/../routes/console.php')
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->web(append: [SecurityHeaders::class, EndForTheDeactivated::class, KeepLocked::class, WriteAudit::class, HandleInertiaRequests::class]);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->expectsJson());
        // names and findings of clients never go into a log
        $exceptions->dontFlash(['password', 'payload', 'name']);
    })
    ->create();
