<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Appointment;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use App\Models\Waiting;
use App\Support\AuditDeed;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use Tests\TestCase;

/**
 * Every route of the application, asked by nobody, by every role of the clinic, and by the owner of another. A route that is not in the
 * table fails: whoever adds one says who may. Prints the table of routes and roles and compares it with docs/roles.md; UPDATE_DOCS=1 writes
 * that anew.
 */
final class RouteWalkTest extends TestCase
{
    private const EVERYBODY = ['owner', 'therapist', 'student', 'reception'];

    private const CLINICAL = ['owner', 'therapist', 'student'];

    private const OWNER = ['owner'];

    /** Open without signing in: the door, links that carry their own secret, and the page of the machine itself. */
    private const OPEN = [
        'health', 'sign-in', 'password.request', 'password.email', 'password.reset', 'password.update', 'check-in.code', 'check-in.enter',
        'calendar.feed', 'check-in.show', 'check-in.open', 'check-in.update', 'sign-in.store', 'second-step', 'second-step.finish',
    ];

    /** Who of the clinic gets through; a student only to visits they began, which is tried apart. */
    private const MAY = [
        'sign-out' => self::EVERYBODY, 'today' => self::EVERYBODY, 'caseload' => self::EVERYBODY, 'calendar' => self::EVERYBODY,
        'calendar.open' => self::CLINICAL,
        'calendar.close' => self::EVERYBODY, 'appointments.update' => self::EVERYBODY, 'waiting.store' => self::EVERYBODY,
        'waiting.destroy' => self::EVERYBODY, 'account' => self::EVERYBODY, 'account.password' => self::EVERYBODY,
        'account.everywhere' => self::EVERYBODY,
        'second-factor.begin' => self::EVERYBODY, 'second-factor.store' => self::EVERYBODY, 'second-factor.destroy' => self::EVERYBODY,
        'people' => self::OWNER, 'people.store' => self::OWNER, 'people.update' => self::OWNER, 'people.close' => self::OWNER,
        'people.open' => self::OWNER, 'people.remind' => self::OWNER,
        'scope' => self::CLINICAL, 'scope.update' => self::OWNER,
        'help' => self::EVERYBODY,
        'atlas' => self::EVERYBODY, 'atlas.search' => self::EVERYBODY, 'atlas.show' => self::EVERYBODY, 'atlas.trainer' => self::EVERYBODY,
        'atlas.trainer.answer' => self::EVERYBODY,
        'clients.create' => self::EVERYBODY, 'clients.search' => self::EVERYBODY, 'clients.store' => self::EVERYBODY,
        'clients.show' => self::EVERYBODY, 'check-ins.store' => self::EVERYBODY, 'appointments.store' => self::EVERYBODY,
        'clients.compare' => self::CLINICAL, 'clients.report' => self::CLINICAL,
        'clients.report.pdf' => self::CLINICAL, 'visits.store' => self::CLINICAL,
        'visits.export' => self::CLINICAL, 'check-backs.store' => self::CLINICAL,
        'check-backs.mail' => self::CLINICAL, 'check-backs.unmail' => self::CLINICAL,
        'visits.treatment' => self::CLINICAL, 'visits.entries.index' => self::CLINICAL, 'visits.consent' => self::CLINICAL,
        'visits.letter' => self::CLINICAL, 'visits.letter.pdf' => self::CLINICAL, 'visits.summary' => self::CLINICAL,
        'visits.summary.pdf' => self::CLINICAL, 'visits.home-care' => self::CLINICAL, 'visits.home-care.pdf' => self::CLINICAL,
        'visits.home-care.ics' => self::CLINICAL,
        'visits.show' => self::CLINICAL,
        // the visit walked here was begun by the owner
        'visits.entries.several' => ['owner', 'therapist'], 'visits.entries' => ['owner', 'therapist'],
        'visits.check-in' => ['owner', 'therapist'], 'visits.plan' => ['owner', 'therapist'], 'visits.events' => ['owner', 'therapist'],
        'visits.stop' => ['owner', 'therapist'], 'visits.take-up' => ['owner', 'therapist'], 'visits.sign' => ['owner', 'therapist'],
        'visits.update' => ['owner', 'therapist'],
        'visits.worklist' => ['owner', 'therapist'], 'visits.device' => ['owner', 'therapist'], 'visits.what-if' => ['owner', 'therapist'],
        'visits.plan.tries' => ['owner', 'therapist'], 'visits.protocols' => self::CLINICAL, 'visits.plan.paper' => self::CLINICAL,
        'protocols.file' => self::CLINICAL,
        'visits.protocols.keep' => ['owner', 'therapist'], 'visits.protocols.tries' => ['owner', 'therapist'],
        'protocols.bring' => self::CLINICAL, 'protocols.update' => self::CLINICAL,
        'protocols.destroy' => self::CLINICAL,
        'lock.close' => self::EVERYBODY, 'lock.show' => self::EVERYBODY, 'lock.open' => self::EVERYBODY, 'lock.touch' => self::EVERYBODY,
        'outbox' => self::OWNER, 'people.second-factor' => self::OWNER, 'settings' => self::EVERYBODY,
        'account.settings' => self::EVERYBODY, 'account.prefers' => self::CLINICAL, 'atlas.lean' => self::CLINICAL,
        'atlas.lean.store' => self::CLINICAL, 'atlas.lean.plate' => self::CLINICAL, 'atlas.lean.destroy' => self::CLINICAL,
        'settings.update' => self::OWNER,
        'audit' => self::OWNER, 'audit.file' => self::OWNER, 'clinic.files' => self::EVERYBODY, 'clinic.file' => self::EVERYBODY,
        'clinic.bring.preview' => self::EVERYBODY, 'bring.progress' => self::EVERYBODY, 'clinic.bring.apply' => self::EVERYBODY,
        'clients.index' => self::EVERYBODY, 'clients.find' => self::EVERYBODY, 'clients.edit' => self::EVERYBODY,
        'clients.update' => self::EVERYBODY, 'clients.archive' => self::EVERYBODY, 'clients.unarchive' => self::EVERYBODY,
        'clients.report.keep' => ['owner', 'therapist'],
        'clients.merge' => ['owner', 'therapist'], 'clients.unmerge' => ['owner', 'therapist'], 'clients.erase' => self::OWNER,
        'clients.export' => self::CLINICAL, 'clients.bring' => self::CLINICAL, 'clients.file' => self::CLINICAL,
        'clients.bring.preview' => self::CLINICAL, 'clients.bring.apply' => self::CLINICAL,
        'visits.note' => self::CLINICAL, 'visits.note.pdf' => self::CLINICAL,
        // only what is signed is corrected or countersigned
        'visits.correct' => [], 'visits.countersign' => [], 'visits.give-back' => [],
    ];

    private Appointment $appointment;

    private Waiting $waiting;

    public function test_no_route_lets_anybody_in_who_may_not(): void
    {
        config(['somatrace.outbox' => true]);
        $owner = $this->therapist(role: Role::Owner);
        $visit = $this->visit($owner);
        $person = $this->therapist($owner->clinic);
        $this->appointment = $this->booked($owner, $visit->client, '2030-01-07 10:00:00');
        $this->waiting = $this->waits($owner, $visit->client);
        $users = array_map(
            fn (Role $role): User => $role === Role::Owner ? $owner : $this->therapist($owner->clinic, $role),
            array_combine(self::EVERYBODY, array_map(Role::from(...), self::EVERYBODY)),
        );
        $stranger = $this->therapist(role: Role::Owner);
        $table = [];
        foreach ($this->routes() as $name => [$method, $path]) {
            $ask = fn (?User $user): bool => $this->letsIn($user, $method, $path, $visit, $person);
            $open = in_array($name, self::OPEN, true);
            self::assertTrue(
                $open || array_key_exists($name, self::MAY), "the route \"$name\" ($method $path) stands in no list: say who may",
            );
            if (! $open) {
                self::assertFalse($ask(null), "$name lets anybody in");
            }
            foreach ($open ? [] : $users as $role => $user) {
                $table[$name][$role] = $ask($user);
                self::assertSame(in_array($role, self::MAY[$name], true), $table[$name][$role], "$name, asked by $role");
            }
            if (! $open && (str_contains($path, '{visit}') || str_contains($path, '{client}') || str_contains($path, '{person}')
                || str_contains($path, '{appointment}') || str_contains($path, '{waiting}'))) {
                self::assertFalse($ask($stranger), "$name lets another clinic in");
            }
        }
        $text = $this->table($table);
        fwrite(STDERR, $text);
        if (getenv('UPDATE_DOCS') !== false) {
            file_put_contents(base_path('docs/roles.md'), $text);
        }
        self::assertStringEqualsFile(base_path('docs/roles.md'), $text, 'run it once with UPDATE_DOCS=1');
    }

    public function test_every_route_says_what_the_audit_writes_of_it(): void
    {
        foreach (array_keys($this->routes()) as $name) {
            self::assertTrue(
                (AuditDeed::ofRoute($name) !== null) !== in_array($name, AuditDeed::NOT_KEPT, true),
                "$name: written in the audit, or said not to be, and not both",
            );
        }
        self::assertSame(
            [], array_diff([...AuditDeed::routes(), ...AuditDeed::NOT_KEPT], array_keys($this->routes())), 'routes that are no more',
        );
    }

    /** @param  array<string, array<string, bool>>  $table who gets in, by route and role */
    private function table(array $table): string
    {
        $lines = [
            '# Who may ask for what', '',
            'Written by `tests/Feature/RouteWalkTest.php`, which asks every route as nobody, as each role and as the owner of another clinic (who is let in nowhere). A student gets on with the visits they began; the visit walked here is another\'s. Open without signing in: '
                .implode(
                    ', ', array_map(static fn (string $name): string => "`$name`", self::OPEN),
                ).'.',
            '', '| route | '.implode(' | ', self::EVERYBODY).' |', '|---|'.str_repeat('---|', count(self::EVERYBODY)),
        ];
        ksort($table);
        foreach ($table as $name => $by) {
            $lines[] = "| `$name` | ".implode(' | ', array_map(static fn (bool $in): string => $in ? 'in' : '–', $by)).' |';
        }

        return implode("\n", $lines)."\n";
    }

    public function test_a_student_gets_on_with_the_visits_they_began(): void
    {
        $student = $this->therapist(role: Role::Student);
        $visit = $this->visit($student);
        $this->appointment = $this->booked($student, $visit->client, '2030-01-07 10:00:00');
        $this->waiting = $this->waits($student, $visit->client);

        foreach (['visits.entries', 'visits.plan', 'visits.sign', 'visits.worklist', 'visits.update'] as $name) {
            [$method, $path] = $this->routes()[$name];
            self::assertTrue($this->letsIn($student, $method, $path, $visit, $student), $name);
        }
    }

    /** @return array<string, array{string, string}> method and path by name, or by both where a route has none */
    private function routes(): array
    {
        $routes = [];
        /** @var Route $route */
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            $method = array_values(array_diff($route->methods(), ['HEAD']))[0];
            if (! $route->isFallback && ! str_starts_with($route->uri(), 'storage/') && ! str_starts_with($route->uri(), '_')) {
                $routes[$route->getName() ?? "$method {$route->uri()}"] = [$method, $route->uri()];
            }
        }

        return $routes;
    }

    /**
     * Through the door: whatever is then said of what was sent, it is not "sign in" and not "you may not". Nothing that was done is kept.
     */
    private function letsIn(?User $user, string $method, string $path, Visit $visit, User $person): bool
    {
        $path = str_replace(
            [
                '{visit}', '{client}', '{person}', '{kind}', '{id}', '{device}', '{step?}', '{token}', '{link}', '{format}', '{protocol}',
                '{reader}', '{appointment}', '{waiting}',
            ],
            [
                $visit->public_id, $visit->client->public_id, (string) $person->id, 'muscle', 'soleus', 'inclinometer', 'ask',
                '01KB3J5Y7V00000000000000AA', 'x', str_starts_with($path, 'clinic') ? 'clients.csv' : 'findings.csv',
                'shipped.stiff_neck', 'client', (string) $this->appointment->id, (string) $this->waiting->id,
            ],
            $path,
        );
        $this->app['auth']->forgetGuards();
        session()->flush();
        if ($user !== null) {
            $this->actingAs($user->refresh());
        }
        $this->app['db']->beginTransaction();
        $this->app->instance('env', $path === 'outbox' ? 'local' : 'testing'); // it answers nowhere else
        $answer = $this->json($method, "/$path");
        $this->app->instance('env', 'testing');
        $this->app['db']->rollBack();
        // what may not be found is not let in either
        self::assertNotSame(500, $answer->getStatusCode(), "$method $path: ".mb_substr((string) $answer->getContent(), 0, 300));

        return ! in_array($answer->getStatusCode(), [401, 403], true);
    }
}
