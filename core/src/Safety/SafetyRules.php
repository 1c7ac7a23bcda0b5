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
     * @param  array<string, array{label: string, ask: string, within_days: ?int, do: list<LimitTemplate>, local: bool}>  $medicines
     * @param  array<string, string>  $groups
     * @param  list<LimitTemplate>  $ungraded
     * @param  array<string, array{ask: string, points: int}>  $clotItems
     */
    private function __construct(
        public RedFlags $flags,
        public array $conditions,
        public array $medicines,
        public array $groups,
        public array $ungraded,
        public array $clotItems,
        public int $clotSuspicionFrom,
        public float $calfDifferenceCm,
        public int $guardianAge,
        public int $olderAge,
        public float $olderCap,
        public int $acuteDays,
        public int $subacuteDays,
        public TissueFigures $tissue,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/conditions.json");
        $clot = JsonFile::read("$folder/clot_score.json");
        $conditions = [];
        foreach ($file->map('conditions', ConditionRule::from(...)) as $rule) {
            $conditions[$rule->id] = $rule;
        }
        $medicines = [];
        foreach ($file->list('medicines') as $row) {
            $do = $row->map('do', LimitTemplate::from(...));
            $medicines[$row->string('id')] = [
                'label' => $row->string('label'), 'ask' => $row->string('ask'), 'within_days' => $row->intOrNull('within_days'),
                'do' => $do, 'local' => array_filter($do, static fn (LimitTemplate $limit): bool => $limit->isLocal()) !== [],
            ];
        }
        $items = [];
        foreach ($clot->list('items') as $row) {
            $items[$row->string('id')] = ['ask' => $row->string('ask'), 'points' => $row->int('points')];
        }
        $stage = $file->fields('stage_days');

        return new self(
            RedFlags::from(self::flags($folder)), $conditions, $medicines, $file->stringMap('groups'), $file->map('ungraded', LimitTemplate::from(...)),
            $items, $clot->int('suspicion_from'), $clot->float('calf_difference_cm'), $file->int('guardian_age'), $file->int('older_age'), $file->float('older_cap'),
            $stage->int('acute'), $stage->int('subacute'), TissueFigures::from($file->fields('tissue_signs')),
        );
    }

    private static function flags(string $folder): Fields
    {
        return JsonFile::read("$folder/red_flags.json");
    }
}
