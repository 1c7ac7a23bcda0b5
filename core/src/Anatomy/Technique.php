<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

final readonly class Technique
{
    /**
     * @param  bool  $fine  works on a spot, so that a broad tool misses it
     * @param  list<string>  $tools  the only tools it can be done with; empty when any of the muscle's serves
     * @param  array{float, float}|null  $holdSeconds  shortest and longest useful hold
     */
    private function __construct(public string $id, public string $name, public array $tools, public bool $onStretch, public bool $lateStageOnly, public bool $fine, public ?array $holdSeconds)
    {
    }

    public static function from(Fields $row): self
    {
        $hold = $row->floats('hold_seconds');

        return new self(
            $row->string('id'), $row->string('name'), $row->strings('tools'), $row->bool('on_stretch'), $row->bool('late_stage_only'), $row->bool('fine'),
            count($hold) === 2 ? [$hold[0], $hold[1]] : null,
        );
    }
}
