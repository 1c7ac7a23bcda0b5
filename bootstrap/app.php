<?php

declare(strict_types=1);

use App\Database\PatientConnection;
use App\Http\Controllers\HealthController;
use App\Http\ErrorPage;
use App\Http\Middleware\EndForTheDeactivated;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\KeepLocked;
use App\Http\Middleware\OwnHosts;
use App\Http\Middleware\OwnProxies;
use App\Http\Middleware\RefuseOddInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\TellLength;
use App\Http\Middleware\WriteAudit;
use App\Support\BareFault;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

umask(0077); // what the program writes is read by nobody else on the machine

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php', commands: __DIR__.'/../routes/console.php',
        then: static fn () => Route::get('/up', HealthController::class)->name('health'),
    ) // without session or cookies
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->prepend(OwnHosts::class);
        $middleware->replace(TrustProxies::class, OwnProxies::class);
        $middleware->append(SecurityHeaders::class); // an address that is none has them too
        $middleware->append(RefuseOddInput::class);
        $middleware->append(TellLength::class);
        $middleware->web(append: [EndForTheDeactivated::class, KeepLocked::class, WriteAudit::class, HandleInertiaRequests::class]);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->expectsJson());
        // somebody else writes for longer than we waited: said as such, and tried again by the window
        $exceptions->dontReportWhen(static fn (Throwable $fault): bool => PatientConnection::isBusy($fault));
        $exceptions->map(
            static fn (PDOException $fault): Throwable => PatientConnection::isBusy($fault)
                ? new ServiceUnavailableHttpException(1, 'The server is busy. Nothing was changed; it is tried again.', $fault)
                : $fault,
        );
        // what an act refuses is said in the language of the interface, as what a request refuses is
        $exceptions->map(static function (ValidationException $refused): ValidationException {
            $said = array_map(
                static fn (array $of): array => array_map(static fn (string $one): string => __($one), $of), $refused->errors(),
            );
            $same = ValidationException::withMessages($said)->status($refused->status)->errorBag($refused->errorBag);
            [$same->redirectTo, $same->response] = [$refused->redirectTo, $refused->response];

            return $same;
        });
        // names and findings never go into a log, whatever went wrong
        $exceptions->report(static function (Throwable $fault): false {
            Log::error(BareFault::name($fault), ['faults' => BareFault::of($fault)]);

            return false;
        });
        // what goes wrong is said in our own words and looks, with a way on
        $exceptions->respond(
            static fn (Response $response, Throwable $fault, Request $request): Response => ErrorPage::respond($response, $request),
        );
        $exceptions->dontFlash(['password', 'password_confirmation', 'current', 'code', 'token', 'payload', 'name']);
    })
    ->create();
