<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A client who waits for a time that becomes free.
 *
 * @property int $id
 * @property int $clinic_id
 * @property int $client_id
 * @property int|null $user_id  with whom; null with anybody
 * @property int $minutes
 * @property list<string> $days  weekdays that suit, of Settings::DAYS; empty is any
 * @property 'any'|'morning'|'afternoon' $part  of the day
 * @property string|null $word to reception
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $settled_at  booked, or no longer wished
 * @property Client $client
 */
final class Waiting extends Model
{
    public const PARTS = ['any', 'morning', 'afternoon'];

    protected $table = 'waiting';

    protected $fillable = ['clinic_id', 'client_id', 'user_id', 'minutes', 'days', 'part', 'word', 'settled_at'];

    protected $casts = ['days' => 'array', 'settled_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime'];

    /** Booked, or no longer wished. */
    public static function settle(int $client): void
    {
        self::query()->where('client_id', $client)->whereNull('settled_at')->update(['settled_at' => CarbonImmutable::now()]);
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }
}
