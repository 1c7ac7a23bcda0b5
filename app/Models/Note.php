<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A signed record. It is never changed: a correction is the next revision, with its reason.
 *
 * @property int $visit_id
 * @property int $revision
 * @property string $happened
 * @property string $advice
 * @property string $next_time
 * @property array<string, mixed> $case_document
 * @property array<string, mixed> $results
 * @property string|null $reason
 * @property int $signed_by
 * @property CarbonImmutable $signed_at
 * @property string $atlas_version
 * @property string $content_hash
 * @property bool $needs_countersign
 * @property int|null $countersigned_by
 * @property CarbonImmutable|null $countersigned_at
 */
final class Note extends Model
{
    public $timestamps = false;

    protected $fillable = [
        'visit_id', 'revision', 'happened', 'advice', 'next_time', 'case_document', 'results', 'reason', 'signed_by', 'signed_at',
        'needs_countersign', 'atlas_version', 'countersigned_by', 'countersigned_at',
    ];

    protected $casts = [
        'case_document' => 'array', 'results' => 'array', 'signed_at' => 'immutable_datetime', 'needs_countersign' => 'bool',
        'countersigned_at' => 'immutable_datetime',
    ];
}
