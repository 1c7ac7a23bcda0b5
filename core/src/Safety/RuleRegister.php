<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\NotWith;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;

/**
 * Every row of the safety rules with its id, read from the data: for the table in the docs, and for the test that holds each to its word.
 */
final readonly class RuleRegister
{
    private const COLUMNS = ['mild' => 'mild, or settled', 'moderate' => 'moderate', 'severe' => 'severe, or acute'];

    public function __construct(private Atlas $atlas, private string $folder)
    {
    }

    /** @return list<RuleRow> in the order of the data */
    public function rows(): array
    {
        $flags = JsonFile::read("{$this->folder}/red_flags.json");
        $conditions = JsonFile::read("{$this->folder}/conditions.json");
        $clot = JsonFile::read("{$this->folder}/clot_score.json");

        return [
            ...$flags->map('rules', $this->flag(...)),
            ...array_merge([], ...$conditions->map('conditions', $this->condition(...))),
            ...array_merge(
                [], ...$conditions->map('medicines', fn (Fields $row): array => $this->medicine($row, $this->source($row, $conditions))),
            ),
            new RuleRow(
                'age.guardian', "under {$conditions->int('guardian_age')}, no guardian has agreed", 'defer', $conditions->string('source'),
            ),
            new RuleRow(
                'age.older', "from {$conditions->int('older_age')} years",
                "pressure at most {$conditions->float('older_cap')}; 6 by a licensed decision in writing", $conditions->string('source'),
            ),
            ...$clot->map('items', static fn (Fields $row): RuleRow => new RuleRow(
                'clot.'.$row->string('id'), 'a leg sign, and: '.$row->string('ask'),
                "counts {$row->int('points')}; from {$clot->int('suspicion_from')} on refer today, both legs left alone",
                $clot->string('source'),
            )),
            new RuleRow(
                'leg_sign',
                "a leg sign said, or one calf {$clot->float('leg_sign_cm')} cm larger, and a score below {$clot->int('suspicion_from')}",
                'modify; that leg, or both, left alone from groin to toes; a doctor looks within a day or two',
                $conditions->string('source'),
            ),
            ...JsonFile::read("{$this->folder}/finding_rules.json")->map('rules', $this->finding(...)),
        ];
    }

    /**
     * @return list<RuleRow> what every touch is held to, whoever the client is: places, positions, agreement, and what a technique is not
     * for
     */
    public function touchRows(): array
    {
        $techniques = JsonFile::read("{$this->folder}/techniques.json");
        $rows = [];
        foreach ($this->atlas->handbook()->hazards as $hazard) {
            $tools = implode(', ', array_map(fn (string $tool): string => $this->atlas->tool($tool)->name, $hazard->tools));
            $does = array_filter([
                $hazard->broad ? 'no stroke over it' : null,
                $hazard->broadCap === null ? null : "strokes over it at most {$hazard->broadCap}",
                "not with: $tools", $hazard->cap === null ? null : "at most {$hazard->cap}",
                $hazard->sustained ? 'nothing held long' : null,
                $hazard->sustainedCap === null ? null : "held long at most {$hazard->sustainedCap}",
            ]);
            $rows[] = new RuleRow(
                "hazard.{$hazard->id}", "{$hazard->name}, where a stroke goes or a muscle beside it is worked", implode('; ', $does),
                'practice default',
            );
        }
        $rows[] = new RuleRow(Limit::REACH, 'a place no hand comes to in that position', 'not there', 'practice default');
        foreach ($this->atlas->consentAreas as $area) {
            if ([...$area->muscles, ...$area->zones, ...$area->techniques] !== []) {
                $rows[] = new RuleRow("consent.{$area->id}", "not agreed today: {$area->words}", 'left out', 'practice default');
            }
        }
        foreach ($techniques->list('techniques') as $row) {
            $technique = $this->atlas->technique($row->string('id'));
            if ($technique->notWith !== []) {
                $not = array_map(
                    static fn (NotWith $one): string => $one->words(str_replace(
                        '_', ' ', (string) ($one->condition ?? $one->unsettled ?? $one->flag),
                    )),
                    $technique->notWith,
                );
                $rows[] = new RuleRow(
                    "technique.{$technique->id}", implode('; ', $not), 'no '.lcfirst($technique->name), $technique->source,
                );
            }
        }
        $rows[] = new RuleRow(
            'technique.stage', 'signs of a fresh inflammation at the place', 'only what is allowed in an acute stage', 'practice default',
        );

        return $rows;
    }

    private function finding(Fields $row): RuleRow
    {
        $as = $row->fieldsOrNull('counts_as');
        $days = $row->intOrNull('days');
        $does = [
            ...array_filter([$row->stringOrNull('verdict')]), ...($days === null ? [] : ["$days d"]),
            ...($as === null ? [] : ["as {$as->string('condition')}, {$as->string('severity')}, at: {$as->string('at')}"]),
            ...array_unique($row->map('limits', fn (Fields $limit): string => LimitTemplate::from($limit)->words($this->atlas))),
            ...($row->stringOrNull('ask') === null ? [] : ['asks: '.$row->string('ask')]),
        ];

        return new RuleRow(
            $row->string('id'), $row->string('label').($row->bool('each_side') ? ', each side by itself' : '').'. '.$row->string('reason'),
            implode('; ', $does), $row->string('source'),
        );
    }

    /** @return list<RuleRow> */
    private function medicine(Fields $row, string $source): array
    {
        $medicine = MedicineRule::from($row);
        $rows = [
            new RuleRow(
                "medicine.{$medicine->id}", "takes {$medicine->label}", $this->told($medicine->do), $source,
            ),
        ];
        foreach ($medicine->additions() as $when => $do) {
            $rows[] = new RuleRow(
                "medicine.{$medicine->id}.extra.".count($rows), "takes {$medicine->label}, $when",
                $this->told($do), $source,
            );
        }

        return $rows;
    }

    private function flag(Fields $row): RuleRow
    {
        $limits = $row->map('limits', LimitTemplate::from(...));
        $days = $row->intOrNull('days');
        $does = [
            $row->string('verdict').($days === null ? '' : " ($days d)"),
            ...array_map(fn (LimitTemplate $limit): string => $limit->words($this->atlas), $limits),
        ];

        return new RuleRow($row->string('id'), $row->string('reason'), implode('; ', $does), $row->string('source'));
    }

    /**
     * @return list<RuleRow> the columns that add something, what always holds, what an open answer brings, and the extras in their order
     */
    private function condition(Fields $row): array
    {
        $id = 'condition.'.$row->string('id');
        $label = $row->string('label');
        $rows = [];
        $put = function (string $part, string $when, string $does) use (&$rows, $id, $label, $row): void {
            if ($does !== '') {
                $rows[] = new RuleRow("$id.$part", "$label, $when", $does, $row->string('source'));
            }
        };
        foreach (self::COLUMNS as $column => $when) {
            $put($column, $when, $this->words($row->fields('columns'), $column));
        }
        $put('always', 'in every case', $this->words($row, 'always'));
        $put('unknown', 'not yet answered', $this->words($row, 'if_unknown'));
        foreach ($row->list('extra') as $index => $extra) {
            $put('extra.'.($index + 1), ExtraRule::from($extra)->words(), $this->words($extra, 'do'));
        }

        return $rows;
    }

    private function words(Fields $row, string $key): string
    {
        return $this->told($row->map($key, LimitTemplate::from(...)));
    }

    /**
     * A tool and a technique may have one name: it is said once.
     *
     * @param  list<LimitTemplate>  $limits
     */
    private function told(array $limits): string
    {
        return implode('; ', array_unique(array_map(fn (LimitTemplate $limit): string => $limit->words($this->atlas), $limits)));
    }

    private function source(Fields $row, Fields $file): string
    {
        return $row->stringOrNull('source') ?? $file->string('source');
    }
}
