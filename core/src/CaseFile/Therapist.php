<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** Who works. An absent list of tools means the hands, and nothing held in them; null mass means the default. */
final readonly class Therapist
{
    /**
     * @param  list<string>  $tools
     * @param  array<string, float>  $loadToday  minutes at pressure 5 or more, by tool
     * @param  list<string>  $scopeOff
     * @param  list<Preference>  $prefers
     * @param  array<string, float>  $loadWeek  of the week until today, minutes at firm pressure by tool
     * @param  list<string>  $trained  the only techniques they do; all of them where empty
     * @param  list<string>  $injured
     * @param  array<string, array<string, float>>  $budgets  minutes at pressure 5 or more, by tool, for a visit, a day, a week
     * @param  list<CalibrationPair>  $calibration  what they made on the plate
     * @param  float|null  $tableCm  how high their table usually stands
     */
    public function __construct(
        public ?float $massKg = null,
        public array $tools = [],
        public ?string $experience = null,
        public array $loadToday = [],
        public array $scopeOff = [],
        public ?bool $licensed = null,
        public array $injured = [],
        public array $budgets = [],
        public array $prefers = [],
        public array $loadWeek = [],
        public array $trained = [],
        public array $calibration = [],
        public ?float $tableCm = null,
    ) {
    }

    public function preference(string $muscle): ?Preference
    {
        foreach ($this->prefers as $one) {
            if ($one->muscle === $muscle) {
                return $one;
            }
        }

        return null;
    }

    /** Outside what this therapist does here: switched off, or not trained in. */
    public function isOff(string $technique): bool
    {
        return in_array($technique, $this->scopeOff, true) || ($this->trained !== [] && ! in_array($technique, $this->trained, true));
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->floatOrNull('mass_kg'), $f->strings('tools'), $f->stringOrNull('experience'), $f->floatMap('load_today'),
            $f->strings('scope_off'),
            $f->boolOrNull('licensed'), $f->strings('injured'),
            self::budgets($f->fieldsOrNull('budgets')), $f->map('prefers', Preference::from(...)),
            $f->floatMap('load_week'), $f->strings('trained'), $f->map('calibration', CalibrationPair::from(...)),
            $f->floatOrNull('table_cm'),
        );
    }

    /** @return array<string, array<string, float>> */
    private static function budgets(?Fields $f): array
    {
        if ($f === null) {
            return [];
        }

        return array_combine($f->keys(), array_map($f->floatMap(...), $f->keys()));
    }
}
