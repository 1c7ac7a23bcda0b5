<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a supervisor said of one revision of a student's note, and gave it back with.
 *
 * @property int $visit_id
 * @property int $revision
 * @property int $user_id
 * @property string $words
 * @property CarbonImmutable $said_at
 * @property User $user
 */
final class NoteRemark extends Model
{
    public $timestamps = false;

    protected $fillable = ['visit_id', 'revision', 'user_id', 'words', 'said_at'];

    protected $casts = ['said_at' => 'immutable_datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
