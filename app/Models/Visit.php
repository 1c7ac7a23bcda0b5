<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\Auth;

/**
 * @property int $id
 * @property string $public_id
 * @property int $clinic_id
 * @property int $client_id
 * @property int $user_id
 * @property int|null $appointment_id
 * @property int $number
 * @property 'here'|'elsewhere' $origin where it was made: one from elsewhere came in by an open format and is only read
 * @property VisitStatus $status
 * @property int $minutes
 * @property string $last_step
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable|null $stopped_at
 * @property CarbonImmutable|null $signed_at
 * @property Client $client
 * @property User $user
 */
final class Visit extends Model
{
    use HasUlids;

    protected $fillable = [
        'clinic_id', 'client_id', 'user_id', 'appointment_id', 'number', 'origin', 'status', 'minutes', 'last_step', 'started_at',
        'stopped_at', 'signed_at',
    ];

    protected $casts = [
        'status' => VisitStatus::class, 'started_at' => 'immutable_datetime', 'stopped_at' => 'immutable_datetime',
        'signed_at' => 'immutable_datetime',
    ];

    protected $attributes = ['origin' => 'here'];

    /** @return list<string> */
    public function uniqueIds(): array
    {
        return ['public_id'];
    }

    public function getRouteKeyName(): string
    {
        return 'public_id';
    }

    /** @return BelongsTo<Client, $this> */
    public function client(): BelongsTo
    {
        return $this->belongsTo(Client::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<Entry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(Entry::class);
    }

    /** @return HasMany<Entry, $this> those that can be read (SoundRecords) */
    public function readable(): HasMany
    {
        return $this->entries()->whereNull('fault');
    }

    /** @return HasMany<TreatmentEvent, $this> */
    public function events(): HasMany
    {
        return $this->hasMany(TreatmentEvent::class);
    }

    /** @return HasMany<Plan, $this> */
    public function plans(): HasMany
    {
        return $this->hasMany(Plan::class);
    }

    /** @return HasMany<Judgement, $this> */
    public function judgements(): HasMany
    {
        return $this->hasMany(Judgement::class);
    }

    /** @return HasMany<Note, $this> */
    public function notes(): HasMany
    {
        return $this->hasMany(Note::class);
    }

    /** @return Builder<Visit> visits of this client before this one that came to an end */
    public function earlier(): Builder
    {
        return self::query()
            ->where('client_id', $this->client_id)
            ->where('number', '<', $this->number)
            ->whereIn('status', [VisitStatus::Signed, VisitStatus::Stopped]);
    }

    /** Client, therapist and clinic; whoever looks, and the clinic they look from, are there already. */
    public function people(): self
    {
        $viewer = Auth::user();
        if ($viewer instanceof User && $viewer->id === $this->user_id && ! $this->relationLoaded('user')) {
            $this->setRelation('user', $viewer);
        }
        $this->loadMissing('client', 'user');
        if (
            $viewer instanceof User
                && $viewer->clinic_id === $this->user->clinic_id
                && $viewer->relationLoaded('clinic')
                && ! $this->user->relationLoaded('clinic')
        ) {
            $this->user->setRelation('clinic', $viewer->clinic);
        }

        return $this->loadMissing('user.clinic');
    }

    /** The day of the visit in the clinic's zone: what is said belongs to it. */
    public function day(): string
    {
        $this->people();

        return $this->user->clinic->day($this->started_at);
    }

    public function isSigned(): bool
    {
        return $this->status === VisitStatus::Signed;
    }
}
