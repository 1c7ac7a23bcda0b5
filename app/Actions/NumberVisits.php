<?php

declare(strict_types=1);

namespace App\Actions;

use Illuminate\Support\Facades\DB;

/** Visits are numbered in the order they were made; those that came in or over later find their place among the others. */
final readonly class NumberVisits
{
    /** Beyond any number a visit has: while they are given anew no two may be the same. */
    public const APART = 1_000_000;

    public function handle(int $client): void
    {
        $visits = DB::table('visits')->where('client_id', $client)->orderBy('started_at')->orderBy('id')->pluck('number', 'id')->all();
        $new = array_combine(array_keys($visits), $visits === [] ? [] : range(1, count($visits)));
        $changed = array_filter($new, static fn (int $number, int $id): bool => $number !== (int) $visits[$id], ARRAY_FILTER_USE_BOTH);
        DB::table('visits')->whereIn('id', array_keys($changed))->update(['number' => DB::raw('number + '.self::APART)]);
        foreach ($changed as $id => $number) {
            DB::table('visits')->where('id', $id)->update(['number' => $number]);
        }
    }
}
