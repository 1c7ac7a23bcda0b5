<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Pattern\Role;

/** Every figure of planning, from data. Minutes, kPa, 0–10. */
final readonly class PlanFigures
{
    /**
     * @param  list<int>  $minuteOptions
     * @param  array<string, string>  $regionOfZone
     * @param  list<string>  $regions  in the order of work
     * @param  array<string, string>  $schoolDefault
     * @param  array<string, float>  $hygieneMinutes  in their order: before gloved work, and after it
     * @param  array<string, string>  $hygieneWords
     */
    private function __construct(
        private Fields $file,
        public array $minuteOptions,
        public array $regionOfZone,
        public array $regions,
        public array $schoolDefault,
        public array $hygieneMinutes,
        public array $hygieneWords,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/planning.json");
        $regions = $file->fields('regions');
        $regionOf = [];
        foreach ($regions->keys() as $region) {
            foreach ($regions->strings($region) as $zone) {
                $regionOf[$zone] = $region;
            }
        }

        return new self(
            $file,
            array_map(static fn (float $minutes): int => (int) $minutes, $file->floats('minute_options')),
            $regionOf,
            $regions->keys(),
            $file->stringMap('school_default'),
            $file->floatMap('hygiene_minutes'),
            $file->stringMap('hygiene_words'),
        );
    }

    public function figure(string $name): float
    {
        return $this->file->float($name);
    }

    /** @return list<string> */
    public function words(string $name): array
    {
        return $this->file->strings($name);
    }

    public function word(string $name): string
    {
        return $this->file->string($name);
    }

    public function tau(Tissue $tissue): float
    {
        return $this->file->fields('tau_minutes')->float($tissue->value);
    }

    public function robustness(Tissue $tissue): float
    {
        return $this->file->fields('robustness')->float($tissue->value);
    }

    public function roleWeight(Role $role): float
    {
        return $this->file->fields('role_weight')->float($role->value);
    }

    public function schoolCap(string $school): float
    {
        return $this->file->fields('school_cap')->float($school);
    }

    public function passes(float $minutes): int
    {
        $count = 2;
        foreach ($this->file->floatMap('passes') as $from => $passes) {
            $count = $minutes >= (float) $from ? (int) $passes : $count;
        }

        return $count;
    }

    public function region(string $zone): string
    {
        return $this->regionOfZone[$zone] ?? 'back';
    }

    public function regionRank(string $region): int
    {
        return (int) array_search($region, $this->regions, true);
    }
}
