<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Healing\TissueFigures;

/** All safety knowledge, loaded once. */
final readonly class SafetyRules
{
    /**
     * @param  array<string, ConditionRule>  $conditions
     * @param  array<string, MedicineRule>  $medicines
     * @param  array<string, string>  $groups
     * @param  list<LimitTemplate>  $ungraded
     * @param  list<FindingRule>  $findings
     * @param  array<string, list<string>>  $groupsOfMovement
     */
    private function __construct(
        public RedFlags $flags,
        public array $conditions,
        public array $medicines,
        public array $groups,
        public array $ungraded,
        public ClotRules $clot,
        public int $guardianAge,
        public int $olderAge,
        public float $olderCap,
        public float $olderCapRaised,
        public int $acuteDays,
        public int $subacuteDays,
        public TissueFigures $tissue,
        public DoctorFirst $doctorFirst,
        public array $findings,
        public array $groupsOfMovement,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/conditions.json");
        $conditions = [];
        foreach ($file->map('conditions', ConditionRule::from(...)) as $rule) {
            $conditions[$rule->id] = $rule;
        }
        $medicines = [];
        foreach ($file->map('medicines', MedicineRule::from(...)) as $medicine) {
            $medicines[$medicine->id] = $medicine;
        }
        $found = JsonFile::read("$folder/finding_rules.json");
        $stage = $file->fields('stage_days');

        return new self(
            RedFlags::from(self::flags($folder)), $conditions, $medicines, $file->stringMap('groups'),
            $file->map('ungraded', LimitTemplate::from(...)),
            ClotRules::from(JsonFile::read("$folder/clot_score.json")), $file->int('guardian_age'), $file->int('older_age'),
            $file->float('older_cap'), $file->float('older_cap_raised'),
            $stage->int('acute'), $stage->int('subacute'), TissueFigures::from($file->fields('tissue_signs')),
            DoctorFirst::from($file->fields('doctor_first')), $found->map('rules', FindingRule::from(...)),
            array_map(static fn (Fields $row): array => $row->strings('groups'), self::byId($found->list('movement_groups'))),
        );
    }

    /**
     * @param  list<Fields>  $rows
     * @return array<string, Fields>
     */
    private static function byId(array $rows): array
    {
        return array_combine(array_map(static fn (Fields $row): string => $row->string('id'), $rows), $rows);
    }

    private static function flags(string $folder): Fields
    {
        return JsonFile::read("$folder/red_flags.json");
    }
}
