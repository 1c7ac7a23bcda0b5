<?php

declare(strict_types=1);

use App\Http\Middleware\EndForTheDeactivated;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\KeepLocked;
use App\Http\Middleware\OwnHosts;
use App\Http\Middleware\OwnProxies;
use App\Http\Middleware\RefuseOddInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\WriteAudit;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;

umask(0077); // what the program writes is read by nobody else on the machine

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', commands: __DIR__.'/../routes/console.php')
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->prepend(OwnHosts::class);
        $middleware->replace(TrustProxies::class, OwnProxies::class);
        $middleware->append(SecurityHeaders::class); // an address that is none has them too
        $middleware->append(RefuseOddInput::class);
        $middleware->web(append: [EndForTheDeactivated::class, KeepLocked::class, WriteAudit::class, HandleInertiaRequests::class]);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->expectsJson());
        // names and findings of clients never go into a log: a refused statement is told by its shape, without what was to be written
        $exceptions->report(static function (QueryException $fault): false {
            Log::error('a statement was refused', ['code' => $fault->getCode(), 'sql' => $fault->getSql(), 'at' => basename($fault->getFile()).':'.$fault->getLine()]);

            return false;
        });
        // what goes wrong is said in our own words and looks, with a way on
        $exceptions->respond(static function (Response $response, Throwable $fault, Request $request): Response {
            $status = $response->getStatusCode();
            if ($request->expectsJson() || ! in_array($status, [403, 404, 419, 429, 500, 503], true) || ($status === 500 && config('app.debug') === true)) {
                return $response;
            }

            return Inertia::render('Error', ['status' => $status])->toResponse($request)->setStatusCode($status);
        });
        $exceptions->dontFlash(['password', 'payload', 'name']);
    })
    ->create();
