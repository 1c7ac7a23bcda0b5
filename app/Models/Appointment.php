<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Str;

/**
 * @property int $id
 * @property int $clinic_id
 * @property int $client_id
 * @property int $user_id
 * @property CarbonImmutable $starts_at
 * @property int $minutes
 * @property string|null $reason
 * @property string|null $word to reception
 * @property string $status
 * @property string|null $uid by which other calendars know it
 * @property string|null $series  those that were booked together as a repeat
 * @property int $revision  counts changes, so that nobody overwrites one they have not seen
 * @property User $user
 * @property Client $client
 * @property Visit|null $visit
 */
final class Appointment extends Model
{
    protected $fillable = [
        'clinic_id', 'client_id', 'user_id', 'starts_at', 'minutes', 'reason', 'word', 'status', 'uid', 'series', 'revision',
    ];

    protected $attributes = ['uid' => null, 'word' => null, 'series' => null, 'revision' => 0];

    protected $casts = ['starts_at' => 'immutable_datetime'];

    protected static function booted(): void
    {
        self::creating(static function (self $appointment): void {
            $appointment->uid ??= Str::lower((string) Str::ulid()).'@somatrace';
        });
    }

    public function endsAt(): CarbonImmutable
    {
        return $this->starts_at->addMinutes($this->minutes);
    }

    /** What has begun or is over stays where it is. */
    public function isMovable(): bool
    {
        return in_array($this->status, ['booked', 'missed', 'cancelled'], true);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }

    /** @return HasOne<Visit, $this> */
    public function visit(): HasOne
    {
        return $this->hasOne(Visit::class);
    }
}
