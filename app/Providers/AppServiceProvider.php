<?php

declare(strict_types=1);

namespace App\Providers;

use App\Cases\Judgements;
use App\Database\ImmediateConnector;
use App\Database\PatientConnection;
use App\Exchange\Progress;
use App\Rules\StrongPassword;
use App\Support\OutboxTransport;
use App\Support\PhrasedValidator;
use App\Support\PlainPages;
use App\Support\Sessions;
use App\Support\WholeFileSessionHandler;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\ServiceProvider;
use Illuminate\Validation\Rules\Password;
use Inertia\ResponseFactory;
use Somatrace\Core\Clinic;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(Progress::class);
        $this->app->scoped(Judgements::class);
        $this->app->singleton(ResponseFactory::class, PlainPages::class);
        // one writer at a time, and everybody waits for it: see the two classes
        Connection::resolverFor(
            'sqlite',
            static fn ($pdo, string $database, string $prefix, array $config): PatientConnection => new PatientConnection(
                $pdo, $database, $prefix, $config,
            ),
        );
        $this->app->bind('db.connector.sqlite', ImmediateConnector::class);
        $this->app->singleton('session', static fn (Application $app): Sessions => new Sessions($app));
        $this->app->singleton(Clinic::class, fn (): Clinic => Clinic::open(compiled: storage_path('framework/cache/somatrace.atlas')));
    }

    public function boot(): void
    {
        ini_set('zend.exception_ignore_args', '1'); // what a function was given does not belong in the trace of an error
        Validator::resolver(static fn (...$asked): PhrasedValidator => new PhrasedValidator(...$asked));
        // outside production a lazy load or an unknown attribute fails loudly; inside it is logged, and no client waits for it
        Model::shouldBeStrict();
        if ($this->app->isProduction()) {
            Model::handleLazyLoadingViolationUsing(
                static fn (Model $model, string $relation) => Log::warning(
                    'lazy load', ['model' => $model::class, 'relation' => $relation],
                ),
            );
            Model::handleMissingAttributeViolationUsing(
                static fn (Model $model, string $attribute) => Log::warning(
                    'missing attribute', ['model' => $model::class, 'attribute' => $attribute],
                ),
            );
            Model::handleDiscardedAttributeViolationUsing(
                static fn (Model $model, array $attributes) => Log::warning(
                    'unknown attributes', ['model' => $model::class, 'attributes' => $attributes],
                ),
            );
        }
        // tries from one address, whoever they are for; those for one name are counted where they fail
        RateLimiter::for('check-in', static fn (Request $request): array => [
            Limit::perMinute(120)->by('address|'.$request->ip()),
            Limit::perMinute(90)->by(
                'link|'.hash('sha256', (string) $request->route('link')).'|'.($request->route('link') === null ? $request->ip() : ''),
            ),
        ]);
        Mail::extend('outbox', static fn (): OutboxTransport => new OutboxTransport);
        Session::extend(
            'whole-file',
            static fn (Application $app): WholeFileSessionHandler => new WholeFileSessionHandler(
                $app->make(Filesystem::class), Config::string('session.files'), Config::integer('session.lifetime'),
            ),
        );
        // long rather than odd, and not what is tried first
        Password::defaults(static fn (): Password => Password::min(12)->max(190)->rules([new StrongPassword]));
        RateLimiter::for('sign-in', fn (Request $request): Limit => Limit::perMinute(60)->by((string) $request->ip()));
    }
}
