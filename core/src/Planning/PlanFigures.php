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
    /** @var list<int> */
    public array $minuteOptions;

    /** @var array<string, string> */
    public array $schoolDefault;

    /** @var array<string, float> in their order: before gloved work, and after it */
    public array $hygieneMinutes;

    /** @var array<string, string> */
    public array $hygieneWords;

    /** @var list<string> what is told before the client lies down */
    public array $hygieneBefore;

    /** @var list<string> */
    public array $hygieneAfter;

    /** @var list<string> */
    public array $glovedTechniques;

    public string $glove;

    /** What a client is told while a hand sinks in. */
    public string $clientBreathes;

    public float $firstExposureCap;

    public float $firstExposureCapDelicate;

    public float $firstPass;

    public float $passStep;

    public float $stoicStep;

    public float $stretchStep;

    public float $turnCost;

    public float $turnMinutes;

    public float $shiftMinutes;

    public float $settleMinutes;

    public float $warmUpMinutes;

    public float $recheckMinutes;

    public float $restMinutes;

    public float $finishMinutes;

    public float $aftercareMinutes;

    public float $otherSideMinutes;

    public float $otherSideCap;

    public float $deepFrom;

    public float $firmFrom;

    public float $minSupport;

    public float $leanLimitPercent;

    public float $thumbDayMinutes;

    public float $pptFelt;

    public float $contactShare;

    public float $defaultMassKg;

    public float $calmMinutes;

    public float $shortVisitMinutes;

    public float $shortShare;

    public float $warmUpPressure;

    public float $offerMinutes;

    public int $restFromMinutes;

    public int $otherSideFromMinutes;

    public int $maxTargets;

    public int $defaultMinutes;

    public int $lateStageDays;

    public int $toleranceVisits;

    public float $toleranceSorenessHours;

    public float $toleranceStep;

    public int $finePrecision;

    public int $broadPrecision;

    /** @var array<string, float> most a school allows, 0–10 */
    private array $schoolCaps;

    /** @var array<string, float> passes from so many minutes on */
    private array $passesFrom;

    /** @var array<string, float> minutes until two thirds of the benefit are reached */
    private array $tau;

    /** @var array<string, float> most a tissue bears, 0–10 */
    private array $robustness;

    /** @var array<string, float> */
    private array $roleWeights;

    /** @var list<string> in the order of work */
    public array $regions;

    /** @var array<string, string> */
    public array $regionOfZone;

    private function __construct(Fields $file)
    {
        $this->minuteOptions = array_map(static fn (float $minutes): int => (int) $minutes, $file->floats('minute_options'));
        $this->schoolDefault = $file->stringMap('school_default');
        $this->hygieneMinutes = $file->floatMap('hygiene_minutes');
        $this->hygieneWords = $file->stringMap('hygiene_words');
        $this->hygieneBefore = $file->strings('hygiene_before');
        $this->hygieneAfter = $file->strings('hygiene_after');
        $this->glovedTechniques = $file->strings('gloved_techniques');
        $this->glove = $file->string('glove');
        $this->clientBreathes = $file->string('client_breathes');
        $this->firstExposureCap = $file->float('first_exposure_cap');
        $this->firstExposureCapDelicate = $file->float('first_exposure_cap_delicate');
        $this->firstPass = $file->float('first_pass');
        $this->passStep = $file->float('step');
        $this->stoicStep = $file->float('stoic_step');
        $this->stretchStep = $file->float('stretch_step');
        $this->turnCost = $file->float('turn_cost');
        $this->turnMinutes = $file->float('turn_minutes');
        $this->shiftMinutes = $file->float('shift_minutes');
        $this->settleMinutes = $file->float('settle_minutes');
        $this->warmUpMinutes = $file->float('warm_up_minutes');
        $this->recheckMinutes = $file->float('recheck_minutes');
        $this->restMinutes = $file->float('rest_minutes');
        $this->finishMinutes = $file->float('finish_minutes');
        $this->aftercareMinutes = $file->float('aftercare_minutes');
        $this->otherSideMinutes = $file->float('other_side_minutes');
        $this->otherSideCap = $file->float('other_side_cap');
        $this->deepFrom = $file->float('deep_from');
        $this->firmFrom = $file->float('firm_from');
        $this->minSupport = $file->float('min_support');
        $this->leanLimitPercent = $file->float('lean_limit_percent');
        $this->thumbDayMinutes = $file->float('thumb_day_minutes');
        $this->pptFelt = $file->float('ppt_felt');
        $this->contactShare = $file->float('contact_share');
        $this->defaultMassKg = $file->float('default_mass_kg');
        $this->calmMinutes = $file->float('calm_minutes');
        $this->shortVisitMinutes = $file->float('short_visit_minutes');
        $this->shortShare = $file->float('short_share');
        $this->warmUpPressure = $file->float('warm_up_pressure');
        $this->offerMinutes = $file->float('offer_minutes');
        $this->restFromMinutes = $file->int('rest_from_minutes');
        $this->otherSideFromMinutes = $file->int('other_side_from_minutes');
        $this->maxTargets = $file->int('max_targets');
        $this->defaultMinutes = $file->int('default_minutes');
        $this->lateStageDays = $file->int('late_stage_days');
        $this->toleranceVisits = $file->int('tolerance_visits');
        $this->toleranceSorenessHours = $file->float('tolerance_soreness_hours');
        $this->toleranceStep = $file->float('tolerance_step');
        $this->finePrecision = $file->int('fine_precision');
        $this->broadPrecision = $file->int('broad_precision');
        $this->schoolCaps = $file->floatMap('school_cap');
        $this->passesFrom = $file->floatMap('passes');
        $this->tau = $file->floatMap('tau_minutes');
        $this->robustness = $file->floatMap('robustness');
        $this->roleWeights = $file->floatMap('role_weight');
        $regions = $file->fields('regions');
        $this->regions = $regions->keys();
        $regionOf = [];
        foreach ($this->regions as $region) {
            foreach ($regions->strings($region) as $zone) {
                $regionOf[$zone] = $region;
            }
        }
        $this->regionOfZone = $regionOf;
    }

    public static function load(string $folder): self
    {
        return new self(JsonFile::read("$folder/planning.json"));
    }

    public function tau(Tissue $tissue): float
    {
        return $this->tau[$tissue->value];
    }

    public function robustness(Tissue $tissue): float
    {
        return $this->robustness[$tissue->value];
    }

    public function roleWeight(Role $role): float
    {
        return $this->roleWeights[$role->value];
    }

    public function schoolCap(string $school): float
    {
        return $this->schoolCaps[$school];
    }

    public function passes(float $minutes): int
    {
        $count = 2;
        foreach ($this->passesFrom as $from => $passes) {
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
