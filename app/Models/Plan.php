<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A plan as it was agreed with the client: the one that is worked.
 *
 * @property int $id
 * @property int $visit_id
 * @property string $case_hash
 * @property string $atlas_version
 * @property array<string, mixed> $document
 * @property int $agreed_by
 * @property CarbonImmutable $agreed_at
 */
final class Plan extends Model
{
    public $timestamps = false;

    protected $fillable = ['visit_id', 'case_hash', 'atlas_version', 'document', 'agreed_by', 'agreed_at'];

    protected $casts = ['document' => 'array', 'agreed_at' => 'immutable_datetime'];
}
