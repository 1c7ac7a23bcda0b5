<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/** Which stiff region overworks which neighbour, and what the busy side runs through, from data. */
final readonly class ChainFigures
{
    /**
     * @param  list<array{region: string, measures: list<array{string, string}>, overworks: list<string>}>  $stiff
     * @param  list<string>  $busy  muscles from jaw to pelvis
     */
    private function __construct(public array $stiff, public array $busy, public int $busyAtLeast)
    {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/chains.json");
        $stiff = $file->map('stiff', static fn (Fields $row): array => [
            'region' => $row->string('region'),
            'measures' => $row->map('measures', static fn (Fields $check): array => [$check->string('check'), $check->string('id')]),
            'overworks' => $row->strings('overworks'),
        ]);

        return new self($stiff, $file->fields('busy_side')->strings('muscles'), $file->fields('busy_side')->int('at_least'));
    }
}
