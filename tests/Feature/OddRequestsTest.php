<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Appointment;
use App\Models\CheckIn;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use App\Models\Waiting;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Group;
use Tests\TestCase;

/** Every route asked with what no window would send: it is answered in words, and never with a fault of ours. */
#[Group('slow')]
#[Group('walks')]
final class OddRequestsTest extends TestCase
{
    /** Every name a page or a window ever sends, so that the odd value meets the code that reads it. */
    private const NAMES = [
        'email', 'password', 'password_confirmation', 'code', 'token', 'invited', 'current', 'q', 'sort', 'away', 'from', 'to', 'person',
        'client', 'kind', 'before', 'name', 'role', 'licensed', 'supervisor_id', 'timezone', 'visit_minutes', 'retention_years',
        'hours', 'pedals', 'school', 'pressure_unit', 'length_unit', 'date_form', 'note_words', 'theme', 'figure',
        'idle_minutes', 'thumb_minutes', 'table_cm', 'budgets', 'samples', 'tool', 'aimed', 'off', 'card',
        'chosen', 'pronoun', 'born_on', 'sex', 'hand', 'mass_kg', 'skin', 'stoic', 'guardian_name', 'occupation', 'phone', 'address',
        'contacts', 'other', 'merge', 'file', 'digest', 'day', 'time', 'minutes', 'reason', 'appointment', 'key', 'phase', 'identity',
        'payload', 'seen', 'more', 'step', 'entries', 'events', 'sent_at', 'happened', 'advice', 'next_time', 'regions', 'full', 'position',
        'for', 'words', 'of', 'view', 'with', 'every', 'times', 'here', 'anyway', 'following', 'status', 'word', 'weekdays', 'part',
        'what', 'side', 'repeat', 'about', 'id', 'answers', 'send', 'format', 'deck', 'theirs', 'visit',
    ];

    /** What a page is read with in the suite: what breaks reading if anything does. */
    private const SAMPLE = ['lists', 'long words'];

    /** @var array<string, list<string>> middleware of each route */
    private array $guards = [];

    #[Group('whole')]
    public function test_no_route_answers_odd_values_with_a_fault(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $visit = $this->visit($owner);
        $person = $this->therapist($owner->clinic);
        $stranger = $this->visit($this->therapist());
        foreach ([$visit, $stranger] as $one) {
            $this->booked($one->user, $one->client, '2030-01-07 10:00:00');
            $this->waits($one->user, $one->client);
        }
        $faults = [];
        $asked = $turn = 0;
        foreach ($this->routes() as $name => [$method, $uri]) {
            // two of them for all, and what writes gets two more by turns: ODD=full asks all with all
            $odd = $this->odd();
            if (getenv('ODD') !== 'full') {
                $others = array_values(array_diff(array_keys($odd), self::SAMPLE));
                $turns = $method === 'GET' ? [] : [$others[$turn % count($others)], $others[($turn + 1) % count($others)]];
                $turn += $turns === [] ? 0 : 1;
                $odd = array_intersect_key($odd, array_flip([...self::SAMPLE, ...$turns]));
            }
            self::assertNotSame([], $odd);
            foreach ($odd as $how => $body) {
                // who is not signed in gets no further than the door, but for what is open to all
                foreach (in_array('auth', $this->guards[$name] ?? [], true) ? [$owner] : [$owner, null] as $user) {
                    $status = $this->ask($user, $method, $uri, $visit, $person, $body);
                    $asked++;
                    if ($status >= 500) {
                        $faults[] = "$name with $how".($user === null ? ', signed out' : '').": $status";
                    }
                }
            }
            if (preg_match('/\{(visit|client|appointment|waiting)\}/', $uri) === 1) {
                $status = $this->ask($owner, $method, $uri, $stranger, $person, []);
                if (! in_array($status, [403, 404, 405], true)) {
                    $faults[] = "$name of another clinic: $status";
                }
            }
        }

        self::assertSame([], $faults);
        self::assertGreaterThan(getenv('ODD') === 'full' ? 700 : 330, $asked);
    }

    public function test_a_body_that_is_cut_off_changes_nothing_and_is_said_to_be(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $visit = $this->visit($owner);
        $person = $this->therapist($owner->clinic);
        foreach ($this->routes() as $name => [$method, $uri]) {
            if ($method === 'GET') {
                continue;
            }
            foreach (['{"answers": {"flags": {"a": "y', '[1, 2', 'null and void'] as $text) {
                $this->forget();
                $this->actingAs($owner->refresh());
                DB::beginTransaction();
                $answer = $this->call(
                    $method, $this->path($uri, $visit, $person),
                    server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: $text,
                );
                DB::rollBack();
                self::assertSame(400, $answer->getStatusCode(), "$name with $text: ".mb_substr((string) $answer->getContent(), 0, 200));
            }
        }
    }

    public function test_answers_of_a_client_outlive_a_request_that_was_cut_off_or_is_no_json(): void
    {
        $user = $this->therapist();
        $client = $this->client($user);
        $this->actingAs($user)->post("/clients/{$client->public_id}/check-ins")->assertRedirect();
        $link = (string) parse_url((string) session('check_in')['link'], PHP_URL_PATH);
        $this->app['auth']->forgetUser();
        $this->flushSession();
        $this->post($link)->assertRedirect();
        $answers = ['done' => ['today'], 'flags' => ['numb_face' => 'yes']];
        $this->putJson($link, ['answers' => $answers])->assertOk();
        foreach (
            [
                ['application/json', '{"answers": {"done": ["tod'], ['text/plain', 'hello'], ['application/json', '[]'],
                ['application/json', '{}'], ['application/json', '{"answers": null}'], ['application/json', '{"answers": "none"}'],
                ['application/x-www-form-urlencoded', 'answers=none'], ['', ''],
            ] as [$type, $text]
        ) {
            $answer = $this->call('PUT', $link, server: ['CONTENT_TYPE' => $type, 'HTTP_ACCEPT' => 'application/json'], content: $text);
            self::assertContains($answer->getStatusCode(), [400, 415, 422], "$type: $text");
            self::assertSame($answers, CheckIn::query()->firstOrFail()->answers, "$type: $text");
        }
    }

    /** @return array<string, mixed> bodies by what is odd about them */
    private function odd(): array
    {
        $all = static fn (mixed $value): array => array_fill_keys(self::NAMES, $value);

        return [
            'lists' => $all([1, [2], ['a' => 'b']]), 'objects' => $all(['a' => ['b' => 'c']]),
            'long words' => $all(str_repeat('ß', 10_000)), 'numbers' => $all(-1.5e300), 'booleans' => $all(true), 'nothing' => $all(null),
            'dates' => $all('0000-99-99T99:99'), 'bytes' => $all("\0\x01 ' \" ; % _ \\"),
        ];
    }

    /** @param  array<string, mixed>  $body */
    private function ask(?User $user, string $method, string $uri, Visit $visit, User $person, array $body): int
    {
        $this->forget();
        if ($user !== null) {
            $this->actingAs($user->refresh());
        }
        DB::beginTransaction();
        $path = $this->path($uri, $visit, $person);
        $answer = $method === 'GET'
            ? $this->get($path.'?'.http_build_query($body), ['Accept' => 'application/json'])
            : $this->json(
                $method, $path.(str_contains($uri, 'entries') ? '?'.http_build_query(['step' => $body['step'] ?? null]) : ''), $body,
            );
        DB::rollBack();

        return $answer->getStatusCode();
    }

    private function forget(): void
    {
        $this->app['auth']->forgetGuards();
        session()->flush();
        $this->app['cache']->store()->clear(); // nobody is held up for trying too often here
    }

    private function path(string $uri, Visit $visit, User $person): string
    {
        return '/'.str_replace(
            [
                '{visit}', '{client}', '{person}', '{kind}', '{id}', '{device}', '{step?}', '{token}', '{link}', '{format}',
                '{appointment}', '{waiting}',
            ],
            [
                $visit->public_id, $visit->client->public_id, (string) $person->id, 'muscle', 'soleus', 'inclinometer', 'ask', 'x',
                Str::random(43), str_starts_with($uri, 'clinic') ? 'clients.csv' : 'findings.csv',
                (string) Appointment::query()->where('client_id', $visit->client_id)->value('id'),
                (string) Waiting::query()->where('client_id', $visit->client_id)->value('id'),
            ],
            $uri,
        );
    }

    /** @return array<string, array{string, string}> */
    private function routes(): array
    {
        $routes = [];
        /** @var Route $route */
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            $method = array_values(array_diff($route->methods(), ['HEAD']))[0];
            $this->guards[(string) $route->getName()] = array_values(array_filter($route->gatherMiddleware(), is_string(...)));
            if ($route->getName() !== null && ! str_starts_with($route->uri(), 'storage/') && ! str_starts_with($route->uri(), '_')) {
                $routes[$route->getName()] = [$method, $route->uri()];
            }
        }

        return $routes;
    }
}
