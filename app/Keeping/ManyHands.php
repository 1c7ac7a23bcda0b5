<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Client;
use App\Models\Clinic;
use App\Models\User;
use Carbon\CarbonImmutable;
use GuzzleHttp\Handler\CurlMultiHandler;
use GuzzleHttp\Promise\Coroutine;
use GuzzleHttp\Promise\Promise;
use GuzzleHttp\Promise\PromiseInterface;
use GuzzleHttp\Promise\Utils;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Http\Message\ResponseInterface;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * So many people at work at once, each at a window of their own, signed in for real: they open pages, touch findings, log what happens at
 * the table, book, sign and begin the next visit. Counted is how long each kind of request took, what failed, and whether everything that
 * was acknowledged is there in the end. Then six of them sign one visit at the same moment.
 */
final class ManyHands
{
    /** How long somebody looks before they touch again. */
    private const PAUSE_MS = [200, 1000];

    private const SIGNERS = 6;

    private const STEPS = ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after'];

    private readonly Randomizer $chance;

    private readonly CurlMultiHandler $wire;

    /** @var list<array{float, Promise}> who waits until when */
    private array $waiting = [];

    /** @var array<string, list<float>> milliseconds by kind */
    private array $took = [];

    /** @var array<string, int> what was answered otherwise than it should, by kind and number */
    private array $failed = [];

    /**
     * @var array<string, array<array-key, mixed>> what was acknowledged: events and visits signed by name, entries with the revision,
     * bookings by client with their number
     */
    private array $acknowledged = ['events' => [], 'entries' => [], 'signed' => [], 'booked' => []];

    private int $conflicts = 0;

    private float $until = 0;

    public function __construct(private readonly string $url, ?CurlMultiHandler $wire = null, int $seed = 1)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->wire = $wire ?? new CurlMultiHandler(['select_timeout' => 0.002]);
    }

    /**
     * @param  callable(): void  $meanwhile  called often while they work
     * @return array{
     *     took: array<string, array{requests: int, p50: int, p95: int, p99: int}>,
     *     failed: array<string, int>, conflicts: int, acknowledged: array<string, int>, lost: int,
     *     signing: array{signed: int, told_so: int, other: int},
     * }
     */
    public function run(int $people, int $seconds, callable $meanwhile): array
    {
        $clinic = TrialClinic::clinic();
        $users = array_map(static fn (int $n): User => TrialClinic::therapist($clinic, $n), range(1, $people));
        $clients = array_map(static fn (int $n): Client => TrialClinic::client($clinic, $n), range(1, $people));
        $visits = array_map(
            static fn (User $user, Client $client): string => TrialClinic::visit($user, $client)->public_id, $users, $clients,
        );
        $persons = array_map(
            fn (User $user): TrialPerson => new TrialPerson($user->email, TrialClinic::PASSWORD, $this->url, $this->wire), $users,
        );
        $shared = TrialClinic::visit($users[0], TrialClinic::client($clinic, $people + 1))->public_id;
        DB::purge();
        foreach ($persons as $one) {
            $one->signIn();
        }
        $this->until = microtime(true) + $seconds;
        $work = [];
        foreach ($persons as $n => $person) {
            $work[] = $this->work($person, $visits[$n], $clients[$n]->public_id, $shared);
        }
        $all = Utils::all($work);
        while ($all->getState() === PromiseInterface::PENDING) {
            $this->wake();
            $this->wire->tick();
            Utils::queue()->run();
            $meanwhile();
        }
        $all->wait();

        return [
            'took' => $this->quantiles(), 'failed' => $this->failed, 'conflicts' => $this->conflicts,
            'acknowledged' => array_map(count(...), $this->acknowledged),
            'lost' => $this->lost(), 'signing' => $this->signTogether($clinic, $users, $persons, $people),
        ];
    }

    private function work(TrialPerson $person, string $visit, string $client, string $shared): PromiseInterface
    {
        return Coroutine::of(function () use ($person, $visit, $client, $shared): \Generator {
            $device = (string) Str::ulid();
            [$number, $bookings] = [0, 0];
            /** @var array<string, int> $seen revisions by task, in one's own visit and in the shared one */
            $seen = [];
            /** @var array<string, int> $seenThere */
            $seenThere = [];
            while (microtime(true) < $this->until) {
                yield $this->pause();
                $kind = $this->one([
                    'entry', 'entry', 'entry', 'entry', 'event', 'event', 'event', 'page', 'page', 'page', 'several', 'refresh', 'shared',
                    'today', 'find', 'book', 'sign',
                ]);
                $path = "/visits/$visit";
                if ($kind === 'page') {
                    yield $this->timed('page of a visit', $person->send('GET', "$path/".$this->one(self::STEPS)));
                } elseif ($kind === 'today') {
                    yield $this->timed('page of the day', $person->send('GET', '/'));
                } elseif ($kind === 'find') {
                    yield $this->timed('search', $person->send('POST', '/clients/search', ['q' => 'trial']));
                } elseif ($kind === 'refresh') {
                    yield $this->timed('reading anew', $person->send('GET', "$path/entries?step=feel"));
                } elseif ($kind === 'book') {
                    $answer = yield $this->timed(
                        'booking',
                        $person->send(
                            'POST', "/clients/$client/appointments",
                            [
                                // each on a day of its own: of two that overlap the second is refused, and rightly
                                'day' => CarbonImmutable::parse('2027-03-01')->addDays($bookings++)->format('Y-m-d'), 'time' => '10:00',
                                'minutes' => 60, 'key' => (string) Str::ulid(),
                            ],
                        ),
                        [302],
                    );
                    if ($answer?->getStatusCode() === 302) {
                        $this->acknowledged['booked'][] = $client;
                    }
                } elseif ($kind === 'event') {
                    $events = array_map(static function () use ($device, &$number): array {
                        return [
                            'id' => (string) Str::ulid(), 'type' => 'sign', 'step' => 's1', 'payload' => ['sign' => 'softened'],
                            'device' => $device, 'number' => ++$number,
                            'happened_at' => CarbonImmutable::now()->toIso8601ZuluString('millisecond'),
                        ];
                    }, range(1, $this->chance->getInt(1, 3)));
                    $answer = yield $this->timed('event', $person->send('POST', "$path/events", ['events' => $events]));
                    foreach ((array) ($this->said($answer)['kept'] ?? []) as $id) {
                        $this->acknowledged['events'][(string) $id] = true;
                    }
                } elseif ($kind === 'shared') {
                    // two windows on one visit: whoever was second is told so, and nothing is overwritten
                    $task = 'shared '.$this->chance->getInt(1, 3);
                    $answer = yield $this->timed(
                        'save', $person->send('PUT', "/visits/$shared/entries?step=ask", $this->touch($task, $seenThere[$task] ?? 0)),
                        [200, 409],
                    );
                    $entry = (array) (json_decode((string) $answer?->getBody(), true)['entry'] ?? []);
                    $seenThere[$task] = (int) ($entry['revision'] ?? 0);
                    $this->conflicts += $answer?->getStatusCode() === 409 ? 1 : 0;
                    if ($answer?->getStatusCode() === 200) {
                        $this->keep($shared, $entry);
                    }
                } elseif ($kind === 'several') {
                    $tasks = array_map(static fn (int $n): string => "several $n", range(1, 5));
                    $answer = yield $this->timed(
                        'several saves',
                        $person->send(
                            'POST', "$path/entries?step=ask",
                            ['entries' => array_map(fn (string $task): array => $this->touch($task, $seen[$task] ?? 0), $tasks)],
                        ),
                    );
                    foreach ((array) ($this->said($answer)['entries'] ?? []) as $entry) {
                        $seen[(string) $entry['identity']] = (int) $entry['revision'];
                        $this->keep($visit, $entry);
                    }
                } elseif ($kind === 'entry') {
                    $task = 'task '.$this->chance->getInt(1, 12);
                    $answer = yield $this->timed(
                        'save',
                        $person->send(
                            'PUT', "$path/entries?step=".$this->one(['ask', 'feel', 'move']), $this->touch($task, $seen[$task] ?? 0),
                        ),
                    );
                    $entry = (array) ($this->said($answer)['entry'] ?? []);
                    if ($entry !== []) {
                        $seen[$task] = (int) $entry['revision'];
                        $this->keep($visit, $entry);
                    }
                } elseif ($this->chance->getInt(0, 3) === 0) {
                    $answer = yield $this->timed(
                        'signing',
                        $person->send('POST', "$path/sign", ['happened' => 'Worked and softened.', 'key' => (string) Str::ulid()]),
                    );
                    if ($answer?->getStatusCode() === 200) {
                        $this->acknowledged['signed'][$visit] = true;
                    }
                    $answer = yield $this->timed(
                        'beginning a visit', $person->send('POST', "/clients/$client/visits", ['key' => (string) Str::ulid()]), [302],
                    );
                    if (preg_match('#/visits/(\w+)/#', $answer?->getHeaderLine('Location') ?? '', $found) === 1) {
                        $visit = $found[1];
                        $seen = [];
                    }
                }
            }
        });
    }

    /** @return array<string, mixed> */
    private function touch(string $task, int $seen): array
    {
        return [
            'kind' => 'function', 'phase' => 'before', 'identity' => null,
            'payload' => ['task' => $task, 'score' => $this->chance->getInt(0, 20) / 2], 'seen' => $seen,
        ];
    }

    /** @param  array<array-key, mixed>  $entry */
    private function keep(string $visit, array $entry): void
    {
        $name = "$visit|".$entry['identity'];
        $this->acknowledged['entries'][$name] = max($this->acknowledged['entries'][$name] ?? 0, (int) $entry['revision']);
    }

    /** @param  list<int>  $right */
    private function timed(string $kind, PromiseInterface $asked, array $right = [200]): PromiseInterface
    {
        $began = microtime(true);

        return $asked->then(function (ResponseInterface $answer) use ($kind, $began, $right): ResponseInterface {
            $this->took[$kind][] = (microtime(true) - $began) * 1000;
            if (! in_array($answer->getStatusCode(), $right, true)) {
                $what = "$kind: {$answer->getStatusCode()}";
                $this->failed[$what] = ($this->failed[$what] ?? 0) + 1;
            }

            return $answer;
        }, function (\Throwable $fault) use ($kind): ?ResponseInterface {
            $what = "$kind: ".class_basename($fault);
            $this->failed[$what] = ($this->failed[$what] ?? 0) + 1;

            return null;
        });
    }

    /** @return array<array-key, mixed> */
    private function said(mixed $answer): array
    {
        return $answer instanceof ResponseInterface && $answer->getStatusCode() === 200
            ? (array) json_decode((string) $answer->getBody(), true)
            : [];
    }

    private function pause(): PromiseInterface
    {
        $promise = new Promise;
        $this->waiting[] = [microtime(true) + $this->chance->getInt(...self::PAUSE_MS) / 1000, $promise];

        return $promise;
    }

    private function wake(): void
    {
        $now = microtime(true);
        $due = array_filter($this->waiting, static fn (array $one): bool => $one[0] <= $now);
        $this->waiting = array_values(array_filter($this->waiting, static fn (array $one): bool => $one[0] > $now));
        foreach ($due as [, $promise]) {
            $promise->resolve(null);
        }
    }

    /**
     * Everybody at the same moment, each with a key of their own.
     *
     * @param  non-empty-list<User>  $users
     * @param  list<TrialPerson>  $persons
     * @return array{signed: int, told_so: int, other: int}
     */
    private function signTogether(Clinic $clinic, array $users, array $persons, int $people): array
    {
        $visit = TrialClinic::visit($users[0], TrialClinic::client($clinic, $people + 2))->public_id;
        DB::purge();
        $answers = Utils::settle(array_map(
            static fn (TrialPerson $one): PromiseInterface => $one->send(
                'POST', "/visits/$visit/sign", ['happened' => "Signed by {$one->email}.", 'key' => (string) Str::ulid()],
            ),
            array_slice($persons, 0, self::SIGNERS),
        ))->wait();
        $counts = ['signed' => 0, 'told_so' => 0, 'other' => 0];
        foreach ((array) $answers as $one) {
            $status = ($one['value'] ?? null) instanceof ResponseInterface ? $one['value']->getStatusCode() : 0;
            $counts[[200 => 'signed', 409 => 'told_so'][$status] ?? 'other']++;
        }

        return $counts;
    }

    /** What was acknowledged and is not there, or there twice. */
    private function lost(): int
    {
        DB::purge();
        $lost = 0;
        foreach (array_chunk(array_keys($this->acknowledged['events']), 500) as $some) {
            $lost += count($some) - DB::table('treatment_events')->whereIn('id', $some)->count();
        }
        $standing = DB::table('entries')
            ->join('visits', 'visits.id', '=', 'entries.visit_id')
            ->where('kind', 'function')
            ->get(['public_id', 'identity', 'revision'])
            ->mapWithKeys(static fn (\stdClass $row): array => ["{$row->public_id}|{$row->identity}" => (int) $row->revision])
            ->all();
        foreach ($this->acknowledged['entries'] as $name => $revision) {
            $lost += ($standing[$name] ?? 0) < $revision ? 1 : 0;
        }
        foreach (array_keys($this->acknowledged['signed']) as $visit) {
            $lost += DB::table('notes')->join('visits', 'visits.id', '=', 'notes.visit_id')->where('public_id', $visit)->count() === 1
                ? 0
                : 1;
        }

        return $lost + abs(
            count($this->acknowledged['booked']) - DB::table('appointments')
                ->join('clinics', 'clinics.id', '=', 'appointments.clinic_id')
                ->where('clinics.name', 'Trial')
                ->count(),
        );
    }

    /** @return array<string, array{requests: int, p50: int, p95: int, p99: int}> */
    private function quantiles(): array
    {
        ksort($this->took);

        return array_map(static function (array $took): array {
            sort($took);
            $at = static fn (float $share): int => (int) round($took[min(count($took) - 1, (int) floor($share * count($took)))]);

            return ['requests' => count($took), 'p50' => $at(0.5), 'p95' => $at(0.95), 'p99' => $at(0.99)];
        }, $this->took);
    }

    /**
     * @param  non-empty-list<string>  $from
     */
    private function one(array $from): string
    {
        return $from[$this->chance->getInt(0, count($from) - 1)];
    }
}
