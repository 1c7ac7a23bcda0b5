<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Client;
use App\Models\Clinic;
use App\Models\User;
use App\Models\Visit;
use App\Support\Role;
use App\Support\VisitStatus;
use Carbon\CarbonImmutable;
use GuzzleHttp\Promise\PromiseInterface;
use GuzzleHttp\Promise\Utils;
use GuzzleHttp\RequestOptions;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Http\Message\ResponseInterface;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Somatrace\Core\Clinic as Core;

/**
 * A server of its own on a database of its own, written to over HTTP as a window at the table does, and killed (signal 9) at a moment nobody chose. Whatever it had
 * acknowledged must be there when it is up again; whatever it had not is sent once more and must then be there once.
 */
final class KillTrial
{
    /** Long enough for several writes to be on their way, and for some rounds to end in the middle of the first. */
    private const LONGEST_MS = 700;

    private const AT_ONCE = 3;

    private readonly Randomizer $chance;

    private readonly string $folder;

    private readonly TrialServer $server;

    /** @var array<string, true> ids of events the server said it had */
    private array $events = [];

    /** @var array<string, int> revision the server said an entry had, by identity */
    private array $entries = [];

    /** @var array<string, array<string, mixed>> events sent and not yet acknowledged */
    private array $open = [];

    private int $again = 0;

    private int $midway = 0;

    private int $acknowledged = 0;

    private int $signedOut = 0;

    public function __construct(int $seed)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
        $this->folder = sys_get_temp_dir().'/somatrace-kill-'.bin2hex(random_bytes(6));
        $this->server = new TrialServer("{$this->folder}/database.sqlite");
    }

    /** @return array{kills: int, kills_with_a_write_on_its_way: int, writes_acknowledged: int, acknowledged_and_lost: int, sent_again: int, kept_twice: int, found_signed_out: int, database: string} */
    public function run(int $times, callable $after): array
    {
        mkdir($this->folder, 0700);
        $visit = $this->prepare();
        try {
            $this->server->start();
            $this->server->signIn('trial@trial.example', 'only for this trial');
            for ($n = 0; $n < $times; $n++) {
                $this->round($visit);
                $this->server->start();
                $after();
            }
            $this->sendAgain($visit);
            $this->server->kill();

            return $this->count($times);
        } finally {
            $this->server->kill();
            DB::purge();
            array_map(unlink(...), glob("{$this->folder}/*") ?: []);
            rmdir($this->folder);
        }
    }

    private function prepare(): Visit
    {
        touch("{$this->folder}/database.sqlite");
        Config::set('database.connections.sqlite.database', "{$this->folder}/database.sqlite");
        DB::purge();
        Artisan::call('migrate', ['--force' => true]);
        $clinic = Clinic::query()->create(['name' => 'Trial', 'timezone' => 'UTC', 'scope_off' => []]);
        $user = User::hire(Role::Therapist, ['clinic_id' => $clinic->id, 'name' => 'Trial', 'email' => 'trial@trial.example', 'password' => 'only for this trial', 'licensed' => true, 'experience' => 'qualified', 'tools' => []]);
        $client = Client::query()->create(['clinic_id' => $clinic->id, 'code' => 'TR-01', 'name' => 'Trial', 'search' => 'trial', 'born_on' => '1980-01-01']);
        $visit = $client->visits()->create(['clinic_id' => $clinic->id, 'user_id' => $user->id, 'number' => 1, 'status' => VisitStatus::Open, 'minutes' => 60, 'last_step' => 'work', 'started_at' => CarbonImmutable::now()]);
        foreach (array_keys(app(Core::class)->rules()->flags->flags) as $flag) {
            $visit->entries()->create(['client_id' => $client->id, 'phase' => 'before', 'kind' => 'red_flag', 'identity' => $flag, 'payload' => 'no', 'revision' => 1, 'said_on' => CarbonImmutable::now()->format('Y-m-d'), 'user_id' => $user->id]);
        }
        DB::purge();

        return $visit;
    }

    /** Writes until the moment comes, and kills. */
    private function round(Visit $visit): void
    {
        $kill = hrtime(true) + $this->chance->getInt(1, self::LONGEST_MS) * 1_000_000;
        $onTheWay = [];
        while (hrtime(true) < $kill) {
            $onTheWay = array_filter($onTheWay, static fn (PromiseInterface $one): bool => $one->getState() === PromiseInterface::PENDING);
            while (count($onTheWay) < self::AT_ONCE) {
                $onTheWay[] = $this->chance->getInt(0, 1) === 0 ? $this->event($visit) : $this->entry($visit);
            }
            $this->server->curl->tick();
        }
        $this->midway += array_filter($onTheWay, static fn (PromiseInterface $one): bool => $one->getState() === PromiseInterface::PENDING) === [] ? 0 : 1;
        $this->server->kill();
        Utils::settle($onTheWay)->wait(); // an answer that was on the wire still counts as one
    }

    private function event(Visit $visit): PromiseInterface
    {
        $event = ['id' => (string) Str::ulid(), 'type' => 'sign', 'step' => 's1', 'payload' => ['sign' => 'softened'], 'happened_at' => CarbonImmutable::now()->toIso8601ZuluString()];
        $this->open[$event['id']] = $event;

        return $this->send('POST', "/visits/{$visit->public_id}/events", ['events' => [$event]], function (array $answer): void {
            foreach ((array) ($answer['kept'] ?? []) as $id) {
                $this->events[(string) $id] = true;
                unset($this->open[(string) $id]);
            }
        });
    }

    private function entry(Visit $visit): PromiseInterface
    {
        $text = ['kind' => 'function', 'phase' => 'before', 'identity' => null, 'payload' => ['task' => 'task '.$this->chance->getInt(1, 20), 'score' => $this->chance->getInt(0, 20) / 2], 'seen' => 100_000, 'more' => true];

        return $this->send('PUT', "/visits/{$visit->public_id}/entries", $text, function (array $answer): void {
            if (is_array($answer['entry'] ?? null)) {
                $name = (string) $answer['entry']['identity'];
                $this->entries[$name] = max($this->entries[$name] ?? 0, (int) $answer['entry']['revision']);
            }
        });
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  callable(array<array-key, mixed>): void  $acknowledged
     */
    private function send(string $method, string $path, array $body, callable $acknowledged): PromiseInterface
    {
        return $this->server->http->requestAsync($method, $path, [RequestOptions::JSON => $body, RequestOptions::HEADERS => $this->server->headers()])->then(function (ResponseInterface $answer) use ($acknowledged): void {
            $said = json_decode((string) $answer->getBody(), true);
            $this->signedOut += in_array($answer->getStatusCode(), [401, 419], true) ? 1 : 0;
            if ($answer->getStatusCode() === 200 && is_array($said)) {
                $this->acknowledged++;
                $acknowledged($said);
            }
        }, static fn (): null => null);
    }

    /** As the window does when the server is there again. */
    private function sendAgain(Visit $visit): void
    {
        foreach (array_chunk(array_values($this->open), 50) as $some) {
            $this->again += count($some);
            $answer = $this->server->http->post("/visits/{$visit->public_id}/events", [RequestOptions::JSON => ['events' => $some], RequestOptions::HEADERS => $this->server->headers()]);
            foreach ((array) (json_decode((string) $answer->getBody(), true)['kept'] ?? []) as $id) {
                $this->events[(string) $id] = true;
            }
        }
    }

    /** @return array{kills: int, kills_with_a_write_on_its_way: int, writes_acknowledged: int, acknowledged_and_lost: int, sent_again: int, kept_twice: int, found_signed_out: int, database: string} */
    private function count(int $times): array
    {
        DB::purge();
        $kept = array_flip(DB::table('treatment_events')->pluck('id')->map(static fn (mixed $id): string => strtoupper((string) $id))->all());
        $lost = count(array_filter(array_keys($this->events), static fn (string $id): bool => ! isset($kept[strtoupper($id)])));
        $standing = DB::table('entries')->where('kind', 'function')->pluck('revision', 'identity')->all();
        foreach ($this->entries as $name => $revision) {
            $lost += ($standing[$name] ?? 0) < $revision ? 1 : 0;
        }
        $torn = DB::selectOne('select count(*) as n from entries e where not exists (select 1 from entry_changes c where c.entry_id = e.id and c.revision = e.revision) and e.kind = \'function\'');
        $whole = array_values((array) DB::selectOne('pragma integrity_check')) === ['ok'] && DB::select('pragma foreign_key_check') === [] && (int) $torn->n === 0;

        return [
            'kills' => $times, 'kills_with_a_write_on_its_way' => $this->midway, 'writes_acknowledged' => $this->acknowledged, 'acknowledged_and_lost' => $lost, 'sent_again' => $this->again,
            'kept_twice' => DB::table('treatment_events')->count() - count($kept), 'found_signed_out' => $this->signedOut, 'database' => $whole ? 'whole' : 'damaged',
        ];
    }
}
