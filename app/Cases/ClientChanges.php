<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Client;
use App\Models\User;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Support\Facades\DB;

/** Every change of who a client is, with who, when, before and after. */
final readonly class ClientChanges
{
    /**
     * Does something to a client and keeps what it changed, both or neither.
     *
     * @template T
     *
     * @param  Closure(): T  $act
     * @return T
     */
    public static function of(Client $client, ?User $user, Closure $act): mixed
    {
        return DB::transaction(static function () use ($client, $user, $act): mixed {
            $before = self::told($client);
            $result = $act();
            $after = self::told($client->refresh());
            $now = CarbonImmutable::now()->utc()->format('Y-m-d H:i:s');
            foreach ($after as $field => $value) {
                if ($before[$field] !== $value) {
                    DB::table('client_changes')->insert([
                        'client_id' => $client->id, 'user_id' => $user?->id, 'field' => $field, 'before' => $before[$field],
                        'after' => $value, 'changed_at' => $now,
                    ]);
                }
            }

            return $result;
        });
    }

    /**
     * @return list<array{at: string, by: string, field: string, before: string, after: string}> newest first; what is clinical only for who
     * may read it
     */
    public static function list(Client $client, User $reader, bool $clinical, int $most): array
    {
        $rows = DB::table('client_changes')
            ->leftJoin('users', 'users.id', '=', 'client_changes.user_id')
            ->where('client_id', $client->id)
            ->when(! $clinical, static fn ($query) => $query->whereNotIn('field', ClientDetails::CLINICAL))
            ->orderByDesc('client_changes.id')->limit($most)->get(['client_changes.*', 'users.name as by']);

        return array_values($rows->map(static fn (\stdClass $row): array => [
            'at' => $reader->clinic->dateWords(CarbonImmutable::parse((string) $row->changed_at, 'UTC'), true),
            'by' => (string) ($row->by ?? __('the program')),
            'field' => str_replace('_', ' ', (string) $row->field), 'before' => self::words((string) $row->before),
            'after' => self::words((string) $row->after),
        ])->all());
    }

    /** @return array<string, string> each as JSON */
    private static function told(Client $client): array
    {
        $details = [
            ...array_diff_key(ClientDetails::of($client->load('contacts')), ['code' => true]),
            'archived_at' => $client->archived_at?->toIso8601ZuluString(), 'merged_into_id' => $client->merged_into_id,
        ];

        return array_map(static fn (mixed $value): string => json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), $details);
    }

    private static function words(string $json): string
    {
        $value = json_decode($json, true);

        return match (true) {
            $value === null || $value === [] => __('nothing'),
            is_bool($value) => $value ? __('yes') : __('no'), is_scalar($value) => (string) $value,
            is_array($value) => implode(
                '; ',
                array_map(
                    static fn (mixed $one): string => is_array($one) ? implode(', ', array_filter($one, is_string(...))) : '', $value,
                ),
            ),
            default => '',
        };
    }
}
