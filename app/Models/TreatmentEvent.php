<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $seq the order in which they came in
 * @property string $id a ULID made at the table
 * @property int $visit_id
 * @property int $user_id
 * @property string $type
 * @property string $step
 * @property array<string, mixed> $payload
 * @property string|null $device which tablet; null from before they were told apart
 * @property int|null $number its running number there
 * @property CarbonImmutable $happened_at what is shown
 * @property string|null $told_at what the tablet's clock said where that cannot have been
 * @property int|null $entry_revision what a withdrawal or a consent led to in the record
 * @property string|null $lifted_by
 */
final class TreatmentEvent extends Model
{
    public $timestamps = false;

    protected $primaryKey = 'seq';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $fillable = [
        'id', 'visit_id', 'user_id', 'type', 'step', 'payload', 'device', 'number', 'happened_at', 'told_at', 'received_at',
        'entry_revision', 'lifted_by', 'checked',
    ];

    protected $casts = ['payload' => 'array', 'happened_at' => 'immutable_datetime', 'received_at' => 'immutable_datetime'];
}
