<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What the core said of a visit, kept with the case and the atlas it was said of.
 *
 * @property int $visit_id
 * @property string $kind
 * @property string $case_hash
 * @property string $stamp of what the case was made of (Course)
 * @property string $atlas_version
 * @property array<string, mixed> $document
 * @property string|null $decision  of a response: how the course goes on (Response\CourseDecision)
 */
final class Judgement extends Model
{
    protected $fillable = ['visit_id', 'kind', 'case_hash', 'stamp', 'atlas_version', 'document', 'decision'];

    protected $casts = ['document' => 'array'];
}
