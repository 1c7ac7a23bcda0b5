<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Exchange\CsvTable;
use App\Models\Clinic;
use App\Models\User;
use App\Support\AuditDeed;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Who saw or changed what, when and from where, newest first; filtered, leafed through by number, and as a table. */
final readonly class AuditPage
{
    private const A_PAGE = 60;

    /** @phrases */
    public const KINDS = [
        'saw' => 'looked', 'changed' => 'changed', 'took' => 'took out', 'door' => 'came and went', 'keeping' => 'keeping',
    ];

    /**
     * @param  array{
     *     person?: int|null, client?: int|null, kind?: string|null, from?: string|null, to?: string|null, before?: int|null,
     * }  $filter
     *         days in the clinic's zone
     * @return array<string, mixed>
     */
    public function of(Clinic $clinic, array $filter): array
    {
        $rows = $this->query($clinic, $filter)
            ->when($filter['before'] ?? null, static fn (Builder $query, int $id): Builder => $query->where('audit_lines.id', '<', $id))
            ->limit(self::A_PAGE + 1)
            ->get();
        $lines = $rows->take(self::A_PAGE);

        return [
            'lines' => $lines->map(fn (object $row): array => $this->line($row, $clinic))->values(),
            'older' => $rows->count() > self::A_PAGE ? $lines->last()?->id : null,
            'people' => User::query()
                ->where('clinic_id', $clinic->id)
                ->orderBy('name')
                ->get(['id', 'name'])
                ->map(static fn (User $one): array => ['id' => $one->id, 'name' => $one->name])
                ->values(),
            'kinds' => array_map(__(...), self::KINDS),
        ];
    }

    /** @param  array{person?: int|null, client?: int|null, kind?: string|null, from?: string|null, to?: string|null}  $filter */
    public function csv(Clinic $clinic, array $filter): string
    {
        $head = ['moment_utc', 'person', 'kind', 'deed', 'detail', 'client', 'visit', 'address', 'device'];
        $lines = (function () use ($clinic, $filter): \Generator {
            foreach ($this->query($clinic, $filter)->lazy(1000) as $row) {
                yield array_map(static fn (mixed $cell): string => is_scalar($cell) ? (string) $cell : '', [
                    'moment_utc' => $row->happened_at, 'person' => $row->person, 'kind' => self::KINDS[$row->kind],
                    'deed' => self::deed($row), 'detail' => $row->detail, 'client' => $row->code, 'visit' => $row->number,
                    'address' => $row->ip, 'device' => $row->agent,
                ]);
            }
        })();

        return CsvTable::write($head, $lines);
    }

    /** @param  array{person?: int|null, client?: int|null, kind?: string|null, from?: string|null, to?: string|null}  $filter */
    private function query(Clinic $clinic, array $filter): Builder
    {
        $moment = static fn (string $day): CarbonImmutable => CarbonImmutable::parse($day, $clinic->timezone);

        return DB::table('audit_lines')
            ->leftJoin('users', 'users.id', '=', 'audit_lines.user_id')
            ->leftJoin('clients', 'clients.id', '=', 'audit_lines.client_id')
            ->leftJoin('visits', 'visits.id', '=', 'audit_lines.visit_id')
            ->where('audit_lines.clinic_id', $clinic->id)
            ->when($filter['person'] ?? null, static fn (Builder $query, int $id): Builder => $query->where('audit_lines.user_id', $id))
            ->when($filter['client'] ?? null, static fn (Builder $query, int $id): Builder => $query->where('audit_lines.client_id', $id))
            ->when($filter['kind'] ?? null, static fn (Builder $query, string $kind): Builder => $query->where('audit_lines.kind', $kind))
            ->when(
                $filter['from'] ?? null,
                static fn (Builder $query, string $day): Builder => $query->where(
                    'happened_at', '>=', $moment($day)->utc()->format('Y-m-d H:i:s'),
                ),
            )
            ->when(
                $filter['to'] ?? null,
                static fn (Builder $query, string $day): Builder => $query->where(
                    'happened_at', '<', $moment($day)->addDay()->utc()->format('Y-m-d H:i:s'),
                ),
            )
            ->orderByDesc('audit_lines.id')
            ->select([
                'audit_lines.id', 'users.name as person', 'audit_lines.kind', 'deed', 'refused', 'detail', 'clients.code',
                'clients.public_id as client', 'visits.number', 'visits.public_id as visit', 'ip', 'agent', 'happened_at',
            ]);
    }

    private static function deed(\stdClass $row): string
    {
        return ($row->refused ? 'refused: ' : '').$row->deed;
    }

    /** @return array<string, mixed> */
    private function line(object $row, Clinic $clinic): array
    {
        /** @var \stdClass $row */
        $at = CarbonImmutable::parse((string) $row->happened_at, 'UTC')->setTimezone($clinic->timezone);

        [$done, $of] = AuditDeed::said($row->kind, $row->deed, (bool) $row->refused);

        return [
            'id' => (int) $row->id, 'day' => $at->format('Y-m-d'), 'time' => $at->format('H:i:s'), 'person' => $row->person,
            'kind' => $row->kind, 'done' => $done, 'of' => $of, 'detail' => $row->detail, 'refused' => (bool) $row->refused,
            'client' => $row->client === null ? null : ['id' => $row->client, 'code' => $row->code],
            'visit' => $row->visit === null ? null : ['id' => $row->visit, 'number' => (int) $row->number],
            'from' => "{$row->ip}, {$row->agent}",
        ];
    }
}
