<?php

declare(strict_types=1);

namespace Somatrace\Core\Anatomy;

use Somatrace\Core\Data\Fields;

/** One small thing to do at home. */
final readonly class SelfCare
{
    /**
     * @param  string  $kind  stretch, release, move, strengthen or habit
     * @param  non-empty-list<string>  $steps
     * @param  list<string>  $notWith  conditions it is not given with
     * @param  array<string, string>  $doses  by stage, where it is other than usual
     */
    private function __construct(
        public string $id,
        public string $name,
        public string $kind,
        public array $steps,
        public string $dose,
        public string $howOften,
        public array $notWith,
        private array $doses,
    ) {
    }

    public static function from(Fields $row): self
    {
        $steps = $row->strings('steps');

        return new self(
            $row->string('id'), $row->string('name'), $row->string('kind'), $steps === [] ? throw UnknownId::in('step', '') : $steps,
            $row->string('dose'), $row->string('how_often'), $row->strings('not_with'),
            $row->stringMap('doses'),
        );
    }

    /** How much of it at a stage of healing; the usual where the stage asks for no other, or nothing heals. */
    public function doseAt(?string $stage): string
    {
        return $this->doses[$stage ?? ''] ?? $this->dose;
    }
}
