<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Collection;

/**
 * Questions handed to one client by a link or a code that works once, on one device: before a visit, for a day; or after one, about how it
 * was (a check-back), until the next.
 *
 * @property int $id
 * @property int $clinic_id
 * @property int $client_id
 * @property int $user_id
 * @property string $link_hash
 * @property string $code_hash
 * @property string|null $device_hash
 * @property array<string, mixed> $answers
 * @property CarbonImmutable $expires_at
 * @property CarbonImmutable|null $opened_at
 * @property CarbonImmutable|null $sent_at
 * @property int|null $visit_id  whose record took the answers over
 * @property int|null $after_visit_id  of a check-back: the visit it asks about
 * @property Client $client
 * @property Clinic $clinic
 */
final class CheckIn extends Model
{
    protected $fillable = [
        'clinic_id', 'client_id', 'user_id', 'link_hash', 'code_hash', 'device_hash', 'answers', 'expires_at', 'opened_at', 'sent_at',
        'visit_id', 'after_visit_id',
    ];

    protected $casts = [
        'answers' => 'array', 'expires_at' => 'immutable_datetime', 'opened_at' => 'immutable_datetime', 'sent_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Clinic, $this> */
    public function clinic(): BelongsTo
    {
        return $this->belongsTo(Clinic::class);
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }

    /** @return BelongsTo<Visit, $this> */
    public function after(): BelongsTo
    {
        return $this->belongsTo(Visit::class, 'after_visit_id');
    }

    /**
     * Sent before a visit: for it, or for none yet.
     *
     * @return Builder<CheckIn>
     */
    public static function before(Visit $visit): Builder
    {
        return self::query()->where('client_id', $visit->client_id)->whereNull('after_visit_id')->whereNotNull('sent_at')
            ->where(static fn (Builder $query): Builder => $query->whereNull('visit_id')->orWhere('visit_id', $visit->id));
    }

    /**
     * How far the questions before the next visit are, of those who have them.
     *
     * @param  Collection<int, int>  $clients
     * @return Collection<int, string> by client: `handed out`, `begun`, `answered`
     */
    public static function standing(Collection $clients): Collection
    {
        return self::query()->whereIn('client_id', $clients)->whereNull('after_visit_id')->whereNull('visit_id')
            ->where('expires_at', '>', CarbonImmutable::now())->orderBy('id')->get()->toBase()
            ->mapWithKeys(static fn (self $one): array => [$one->client_id => match (true) {
                $one->sent_at !== null => 'answered', $one->opened_at !== null => 'begun', default => 'handed out',
            }]);
    }

    /** Keyed, so that a stolen list of hashes cannot be tried against short codes elsewhere. */
    public static function hash(string $secret): string
    {
        return hash_hmac('sha256', $secret, (string) config('app.key'));
    }
}
