<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** Tests that speak for a joint only together: so many of them must answer on one side. */
final readonly class TestSet
{
    /**
     * @param  string  $name  what they test, within a sentence
     * @param  list<string>  $tests
     * @param  int  $least  so many positive ones speak for it
     */
    private function __construct(public string $id, public string $name, public array $tests, public int $least, public string $source)
    {
    }

    public static function from(Fields $row): self
    {
        return new self($row->string('id'), $row->string('name'), $row->strings('tests'), $row->int('least'), $row->string('source'));
    }
}
