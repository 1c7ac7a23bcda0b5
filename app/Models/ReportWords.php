<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a therapist adds to the report of a course: up to one visit, for one reader.
 *
 * @property int $id
 * @property int $visit_id  the last that had ended when it was written
 * @property 'client'|'referrer' $reader
 * @property string $words  empty where they were taken out again
 * @property int $revision
 * @property int $user_id  who wrote last
 * @property CarbonImmutable $updated_at
 * @property Visit $visit
 */
final class ReportWords extends Model
{
    public const READERS = ['client', 'referrer'];

    protected $table = 'report_words';

    protected $fillable = ['visit_id', 'reader', 'words', 'revision', 'user_id'];

    protected $casts = ['updated_at' => 'immutable_datetime'];

    /** @return BelongsTo<Visit, $this> */
    public function visit(): BelongsTo
    {
        return $this->belongsTo(Visit::class);
    }
}
