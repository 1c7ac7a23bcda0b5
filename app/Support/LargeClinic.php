<?php

declare(strict_types=1);

namespace App\Support;

use App\Keeping\AuditChain;
use App\Keeping\NoteHash;
use App\Keeping\Seal;
use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Somatrace\Core\Clinic as Core;

/** Makes up a clinic of thousands, the same for the same numbers: written as rows, since it is to be measured and not told. */
final class LargeClinic
{
    private const SEED = 20261126;

    private const AT_ONCE = 400;

    private const FIRST = [
        'Ada', 'Bo', 'Cleo', 'Dag', 'Eda', 'Finn', 'Gil', 'Hanne', 'Ivo', 'Jula', 'Kai', 'Liv', 'Mo', 'Nuri', 'Orla', 'Per', 'Quin', 'Ria',
        'Sol', 'Tam',
    ];

    private const LAST = [
        'Alder', 'Birk', 'Crane', 'Dune', 'Elm', 'Fenn', 'Gale', 'Heath', 'Isle', 'Jarl', 'Kelp', 'Lark', 'Moor', 'Nook', 'Otter', 'Pike',
        'Quill', 'Reed', 'Stone', 'Tarn',
    ];

    private Randomizer $chance;

    /** @var array<string, list<array<string, mixed>>> rows waiting to be written, by table */
    private array $waiting = [];

    public function __construct(private readonly Core $core)
    {
        $this->chance = new Randomizer(new Mt19937(self::SEED));
    }

    /** @return array<string, int> rows by table */
    public function make(int $clients, int $visits, int $findings): array
    {
        $alone = DB::transactionLevel() === 0; // within somebody's transaction the file is not ours to tune
        if ($alone) {
            DB::statement('pragma synchronous = off'); // it is made anew if it breaks
        }
        DB::transaction(function () use ($clients, $visits, $findings): void {
            $clinic = Clinic::query()->create([
                'name' => 'Long Reach Clinic', 'timezone' => 'Europe/Lisbon', 'scope_off' => [], 'demo' => true,
            ]);
            $users = array_map(static fn (int $n): User => User::hire($n === 0 ? Role::Owner : Role::Therapist, [
                'clinic_id' => $clinic->id, 'name' => $n === 0 ? 'Owner' : "Therapist $n",
                'email' => $n === 0 ? 'owner@large.example' : "t$n@large.example", 'password' => 'large-clinic', 'licensed' => true,
                'experience' => 'qualified', 'mass_kg' => 70, 'tools' => [],
            ]), range(0, 11));
            $this->clients($clinic, $clients);
            $this->visits($clinic, $users, $clients, $visits);
            $this->flush();
            $this->findings($visits, $findings);
            $this->flush();
        });
        if ($alone) {
            DB::statement('pragma wal_checkpoint(truncate)');
            DB::statement('analyze');
        }
        $counts = [];
        foreach (['clients', 'visits', 'entries', 'entry_changes', 'notes', 'appointments', 'audit_lines'] as $table) {
            $counts[$table] = DB::table($table)->count();
        }

        return $counts;
    }

    private function clients(Clinic $clinic, int $count): void
    {
        for ($n = 1; $n <= $count; $n++) {
            $name = $this->one(self::FIRST).' '.$this->one(self::LAST).' '.$this->one(self::LAST);
            $code = sprintf('LC-%04d', $n);
            $this->add('clients', [
                'id' => $n, 'public_id' => $this->ulid(), 'clinic_id' => $clinic->id, 'code' => $code, 'name' => $name,
                'search' => Str::lower("$name $code"), 'pronoun' => 'unsaid',
                'born_on' => sprintf('%d-%02d-01 00:00:00', $this->chance->getInt(1940, 2005), $this->chance->getInt(1, 12)),
                'sex' => 'unsaid', 'hand' => 'right', 'skin' => 'usual', 'stoic' => 0, 'occupation' => 'made up',
                'last_seen_at' => $this->ago(0, 900), 'created_at' => $this->ago(900, 3000), 'updated_at' => $this->ago(0, 1),
            ]);
        }
    }

    /** @param  non-empty-list<User>  $users */
    private function visits(Clinic $clinic, array $users, int $clients, int $count): void
    {
        $numbers = [];
        for ($n = 1; $n <= $count; $n++) {
            // a few come for years
            $client = $n <= $clients
                ? $n
                : (
                    $this->chance->getInt(0, 9) === 0
                        ? $this->chance->getInt(1, max(1, intdiv($clients, 50)))
                        : $this->chance->getInt(1, $clients)
                );
            $number = $numbers[$client] = ($numbers[$client] ?? 0) + 1;
            $at = CarbonImmutable::now()
                ->subDays(2400 - min(2390, $number * 9))
                ->setTime($this->chance->getInt(8, 17), 0)
                ->format('Y-m-d H:i:s');
            $user = $this->one($users)->id;
            $this->add(
                'appointments',
                [
                    'id' => $n, 'clinic_id' => $clinic->id, 'client_id' => $client, 'user_id' => $user, 'starts_at' => $at, 'minutes' => 60,
                    'status' => 'done', 'uid' => "large-$n@somatrace", 'created_at' => $at, 'updated_at' => $at,
                ],
            );
            $this->add(
                'visits',
                [
                    'id' => $n, 'public_id' => $this->ulid(), 'clinic_id' => $clinic->id, 'client_id' => $client, 'user_id' => $user,
                    'appointment_id' => $n, 'number' => $number, 'origin' => 'here', 'status' => 'signed', 'minutes' => 60,
                    'last_step' => 'after', 'started_at' => $at, 'signed_at' => $at, 'created_at' => $at, 'updated_at' => $at,
                ],
            );
            $note = [
                'visit_id' => $n, 'revision' => 1, 'happened' => 'Worked and softened.', 'advice' => 'Walk.', 'next_time' => 'Look again.',
                'case_document' => '{}', 'results' => '{}', 'reason' => null, 'signed_by' => $user, 'signed_at' => $at,
                'atlas_version' => $this->core->version(),
            ];
            $this->add('notes', [...$note, 'content_hash' => NoteHash::of($note)]);
            $this->add(
                'audit_lines',
                [
                    'clinic_id' => $clinic->id, 'user_id' => $user, 'client_id' => $client, 'visit_id' => $n, 'deed' => 'note signed',
                    'kind' => 'changed', 'detail' => '', 'ip' => '127.0.0.1', 'agent' => 'made up', 'happened_at' => $at,
                ],
            );
        }
    }

    private function findings(int $visits, int $count): void
    {
        $muscles = array_keys($this->core->atlas()->muscles);
        $movements = array_values(array_filter($this->core->atlas()->movements, static fn ($one): bool => $one->paired));
        $of = DB::table('visits')->orderBy('id')->get(['id', 'client_id', 'user_id', 'started_at'])->all();
        $each = array_fill(0, $visits, intdiv($count, $visits));
        for ($rest = 0; $rest < $count % $visits; $rest++) {
            $each[$rest]++;
        }
        $id = 0;
        foreach ($of as $index => $visit) {
            $day = substr((string) $visit->started_at, 0, 10);
            for ($n = 0; $n < $each[$index]; $n++) {
                $side = $n % 2 === 0 ? 'left' : 'right';
                [$kind, $identity, $payload] = match (true) {
                    $n < 2 => [
                        'complaint', "neck_back:$side", ['zone' => 'neck_back', 'side' => $side, 'now' => $this->chance->getInt(0, 16) / 2],
                    ],
                    $n % 5 === 4 => [
                        'range', ($movement = $movements[($n * 7 + $visit->client_id) % count($movements)])->id.":$side",
                        ['movement' => $movement->id, 'side' => $side, 'active' => $movement->norm],
                    ],
                    default => [
                        'palpation', ($muscle = $muscles[($n * 11 + $visit->client_id) % count($muscles)]).":$side:",
                        ['muscle' => $muscle, 'side' => $side, 'tenderness' => $this->chance->getInt(0, 4), 'tone' => 'high'],
                    ],
                };
                $text = json_encode($payload, JSON_THROW_ON_ERROR);
                $this->add(
                    'entries',
                    [
                        'id' => ++$id, 'visit_id' => $visit->id, 'client_id' => $visit->client_id, 'phase' => 'before', 'kind' => $kind,
                        'identity' => $identity, 'payload' => $text, 'revision' => 1, 'said_on' => $day, 'user_id' => $visit->user_id,
                        'checked' => $this->core->version(), 'created_at' => $visit->started_at, 'updated_at' => $visit->started_at,
                    ],
                );
                $this->add(
                    'entry_changes',
                    [
                        'entry_id' => $id, 'payload' => $text, 'revision' => 1, 'user_id' => $visit->user_id,
                        'created_at' => $visit->started_at,
                    ],
                );
            }
        }
    }

    /** @param  array<string, mixed>  $row */
    private function add(string $table, array $row): void
    {
        $this->waiting[$table][] = $row;
        if (count($this->waiting[$table]) >= self::AT_ONCE) {
            $this->flush();
        }
    }

    /** In the order in which tables were first spoken of, so that what a row belongs to is there before it. */
    private function flush(): void
    {
        foreach ($this->waiting as $table => $rows) {
            foreach (array_chunk($rows, self::AT_ONCE) as $some) {
                $table === 'audit_lines' ? (new AuditChain(Seal::own()))->add($some) : DB::table($table)->insert($some);
            }
            $this->waiting[$table] = [];
        }
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $from
     * @return T
     */
    private function one(array $from): mixed
    {
        return $from[$this->chance->getInt(0, count($from) - 1)];
    }

    private function ago(int $least, int $most): string
    {
        return CarbonImmutable::now()->subDays($this->chance->getInt($least, $most))->format('Y-m-d H:i:s');
    }

    private function ulid(): string
    {
        return Str::lower((string) Str::ulid());
    }
}
