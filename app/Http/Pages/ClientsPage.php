<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The clients of a clinic as a list: found, sorted, leafed through. */
final readonly class ClientsPage
{
    private const A_PAGE = 50;

    private const SORTS = [
        'name' => ['name', 'asc'], 'code' => ['code', 'asc'], 'seen' => ['last_seen_at', 'desc'], 'new' => ['id', 'desc'],
    ];

    /** @return array<string, mixed> */
    public function of(User $user, string $sort, string $asked, bool $away): array
    {
        $sort = isset(self::SORTS[$sort]) ? $sort : 'seen';
        [$column, $direction] = self::SORTS[$sort];
        $clients = $away
            ? Client::query()->where('clinic_id', $user->clinic_id)->whereNotNull('archived_at')->whereNull('merged_into_id')
            : Client::present($user->clinic_id);
        $page = $clients
            ->called($asked)
            ->orderBy($column, $direction)
            ->orderBy('id')
            ->paginate(
                self::A_PAGE,
                ['id', 'public_id', 'name', 'code', 'occupation', 'born_on', 'phone', 'last_seen_at', 'archived_at', 'erased_at'],
            );
        $next = DB::table('appointments')
            ->whereIn('client_id', $page->pluck('id'))
            ->where('status', 'booked')
            ->where('starts_at', '>', now())
            ->groupBy('client_id')
            ->selectRaw('client_id, min(starts_at) as at')
            ->pluck('at', 'client_id');
        $clinic = $user->clinic;

        return [
            'clients' => array_map(static fn (Client $one): array => [
                'id' => $one->public_id, 'name' => $one->name, 'code' => $one->code, 'occupation' => $one->occupation,
                'born' => $one->erased_at === null ? $one->born_on->format('Y-m-d') : null, 'phone' => $one->phone,
                'seen' => $one->last_seen_at === null ? null : $clinic->day($one->last_seen_at),
                'next' => isset($next[$one->id]) ? $clinic->day(new CarbonImmutable((string) $next[$one->id], 'UTC')) : null,
                'erased' => $one->erased_at !== null,
            ], $page->items()),
            'sort' => $sort, 'q' => $asked, 'away' => $away, 'total' => $page->total(), 'page' => $page->currentPage(),
            'pages' => $page->lastPage(),
        ];
    }
}
