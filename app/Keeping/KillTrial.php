<?php

declare(strict_types=1);

namespace App\Keeping;

use Carbon\CarbonImmutable;
use GuzzleHttp\Promise\PromiseInterface;
use GuzzleHttp\Promise\Utils;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Http\Message\ResponseInterface;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A server of its own on a database of its own, written to over HTTP by several people as windows at tables do, and killed (signal 9),
 * workers and all, at a moment nobody chose. Whatever it had acknowledged must be there when it is up again; whatever it had not is sent
 * once more and must then be there once.
 */
final class KillTrial
{
    /** Long enough for several writes to be on their way, and for some rounds to end in the middle of the first. */
    private const LONGEST_MS = 700;

    private const AT_ONCE = 2;

    private readonly Randomizer $chance;

    private readonly string $folder;

    private readonly TrialServer $server;

    /** @var list<array{person: TrialPerson, visit: int, path: string, device: string, number: int}> */
    private array $people = [];

    /** @var array<string, true> ids of events the server said it had */
    private array $events = [];

    /** @var array<string, int> revision the server said an entry had, by visit and identity */
    private array $entries = [];

    /** @var array<string, array{int, array<string, mixed>}> whose, and events sent and not yet acknowledged */
    private array $open = [];

    private int $again = 0;

    private int $midway = 0;

    private int $acknowledged = 0;

    private int $signedOut = 0;

    private int $faults = 0;

    public function __construct(int $seed, private readonly int $count = 1)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->folder = sys_get_temp_dir().'/somatrace-kill-'.bin2hex(random_bytes(6));
        $this->server = new TrialServer("{$this->folder}/database.sqlite");
    }

    /** @return array<string, int|string> what was counted, by name */
    public function run(int $times, callable $after): array
    {
        TrialClinic::ownDatabase($this->folder);
        $clinic = TrialClinic::clinic();
        for ($n = 1; $n <= $this->count; $n++) {
            $user = TrialClinic::therapist($clinic, $n);
            $visit = TrialClinic::visit($user, TrialClinic::client($clinic, $n));
            $this->people[] = [
                'person' => $this->server->person($user->email, TrialClinic::PASSWORD), 'visit' => $visit->id,
                'path' => "/visits/{$visit->public_id}", 'device' => (string) Str::ulid(), 'number' => 0,
            ];
        }
        DB::purge();
        try {
            $this->server->start();
            foreach ($this->people as $one) {
                $one['person']->signIn();
            }
            for ($n = 0; $n < $times; $n++) {
                $this->round();
                $this->server->start();
                $after();
            }
            $this->sendAgain();
            $this->server->kill();

            return $this->counted($times);
        } finally {
            $this->server->kill();
            TrialClinic::clear($this->folder);
        }
    }

    /** Everybody writes until the moment comes, and it is killed. */
    private function round(): void
    {
        $kill = hrtime(true) + $this->chance->getInt(1, self::LONGEST_MS) * 1_000_000;
        $pending = static fn (PromiseInterface $one): bool => $one->getState() === PromiseInterface::PENDING;
        /** @var array<int, list<PromiseInterface>> $onTheWay */
        $onTheWay = array_fill(0, count($this->people), []);
        while (hrtime(true) < $kill) {
            foreach (array_keys($this->people) as $who) {
                $onTheWay[$who] = array_values(array_filter($onTheWay[$who], $pending));
                while (count($onTheWay[$who]) < self::AT_ONCE) {
                    $onTheWay[$who][] = $this->chance->getInt(0, 1) === 0 ? $this->event($who) : $this->entry($who);
                }
            }
            $this->server->wire->tick();
        }
        $all = array_merge(...$onTheWay);
        $this->midway += array_filter($all, $pending) === [] ? 0 : 1;
        $this->server->kill();
        Utils::settle($all)->wait(); // an answer that was on the wire still counts as one
    }

    private function event(int $who): PromiseInterface
    {
        $event = [
            'id' => (string) Str::ulid(), 'type' => 'sign', 'step' => 's1', 'payload' => ['sign' => 'softened'],
            'device' => $this->people[$who]['device'], 'number' => ++$this->people[$who]['number'],
            'happened_at' => CarbonImmutable::now()->toIso8601ZuluString('millisecond'),
        ];
        $this->open[$event['id']] = [$who, $event];

        return $this->send($who, 'POST', '/events', ['events' => [$event]], function (array $answer): void {
            foreach ((array) ($answer['kept'] ?? []) as $id) {
                $this->events[(string) $id] = true;
                unset($this->open[(string) $id]);
            }
        });
    }

    private function entry(int $who): PromiseInterface
    {
        $task = 'task '.$this->chance->getInt(1, 20);
        $name = $this->people[$who]['visit']."|$task";
        // what this window saw last; where it was killed on the way it reads anew, as a window does
        $body = [
            'kind' => 'function', 'phase' => 'before', 'identity' => null,
            'payload' => ['task' => $task, 'score' => $this->chance->getInt(0, 20) / 2], 'seen' => $this->entries[$name] ?? 0,
        ];

        return $this->send($who, 'PUT', '/entries?step=ask&more=1', $body, function (array $answer) use ($name): void {
            if (is_array($answer['entry'] ?? null)) {
                $this->entries[$name] = max($this->entries[$name] ?? 0, (int) $answer['entry']['revision']);
            }
        });
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  callable(array<array-key, mixed>): void  $acknowledged
     */
    private function send(int $who, string $method, string $path, array $body, callable $acknowledged): PromiseInterface
    {
        return $this->people[$who]['person']->send($method, $this->people[$who]['path'].$path, $body)
            ->then(function (ResponseInterface $answer) use ($acknowledged): void {
                $said = json_decode((string) $answer->getBody(), true);
                $status = $answer->getStatusCode();
                $this->signedOut += in_array($status, [401, 419], true) ? 1 : 0;
                $this->faults += $status >= 500 ? 1 : 0;
                if (in_array($status, [200, 409], true) && is_array($said)) {
                    $this->acknowledged += $status === 200 ? 1 : 0;
                    $acknowledged($said);
                }
            }, static fn (): null => null);
    }

    /** As the window does when the server is there again. */
    private function sendAgain(): void
    {
        foreach (array_keys($this->people) as $who) {
            $mine = array_column(array_filter($this->open, static fn (array $one): bool => $one[0] === $who), 1);
            foreach (array_chunk($mine, 50) as $some) {
                $this->again += count($some);
                $this->send($who, 'POST', '/events', ['events' => $some], function (array $answer): void {
                    foreach ((array) ($answer['kept'] ?? []) as $id) {
                        $this->events[(string) $id] = true;
                    }
                })->wait();
            }
        }
    }

    /** @return array<string, int|string> */
    private function counted(int $times): array
    {
        DB::purge();
        $ids = DB::table('treatment_events')->pluck('id')->all();
        $kept = array_flip(array_map(static fn (mixed $id): string => strtoupper((string) $id), $ids));
        $lost = count(array_diff_key($this->events, $kept));
        $standing = DB::table('entries')
            ->where('kind', 'function')
            ->get(['visit_id', 'identity', 'revision'])
            ->mapWithKeys(static fn (\stdClass $row): array => ["{$row->visit_id}|{$row->identity}" => (int) $row->revision])
            ->all();
        foreach ($this->entries as $name => $revision) {
            $lost += ($standing[$name] ?? 0) < $revision ? 1 : 0;
        }
        $doubled = (int) DB::table('treatment_events')->selectRaw('count(*) - count(distinct device || number) as n')->value('n');
        $torn = DB::selectOne(
            "select count(*) as n from entries e where not exists (select 1 from entry_changes c where c.entry_id = e.id and c.revision = e.revision) and e.kind = 'function'",
        );
        $whole = array_values((array) DB::selectOne('pragma integrity_check')) === ['ok']
            && DB::select('pragma foreign_key_check') === []
            && (int) $torn->n === 0
            && (new AuditChain(Seal::own()))->fault() === null;

        return [
            'people' => $this->count, 'kills' => $times, 'kills_with_a_write_on_its_way' => $this->midway,
            'writes_acknowledged' => $this->acknowledged, 'acknowledged_and_lost' => $lost, 'sent_again' => $this->again,
            'kept_twice' => count($ids) - count($kept) + $doubled, 'found_signed_out' => $this->signedOut,
            'answered_with_a_fault' => $this->faults, 'database' => $whole ? 'whole' : 'damaged',
        ];
    }
}
