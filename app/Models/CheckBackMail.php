<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A mail that asks a client how it was, so many hours after a visit.
 *
 * @property int $id
 * @property int $visit_id
 * @property int $hours after the visit
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $sent_at
 * @property Visit $visit
 */
final class CheckBackMail extends Model
{
    /** When tissue answers: the first soreness, and whether it has gone. */
    public const HOURS = [24, 48];

    public $timestamps = false;

    protected $fillable = ['visit_id', 'hours', 'due_at', 'sent_at'];

    protected $casts = ['due_at' => 'immutable_datetime', 'sent_at' => 'immutable_datetime'];

    /** @return BelongsTo<Visit, $this> */
    public function visit(): BelongsTo
    {
        return $this->belongsTo(Visit::class);
    }
}
