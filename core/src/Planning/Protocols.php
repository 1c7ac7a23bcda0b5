<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\CaseSense;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Data\SchemaValidator;
use Somatrace\Core\Safety\SafetyRules;

/** Protocols: those that ship, those of files, and what becomes of one with a client. */
final readonly class Protocols
{
    private const MOST_BYTES = 64 * 1024;

    private const ITEM = '/properties/protocols/items';

    private const TARGET = '/properties/session/properties/targets/items';

    public function __construct(
        private string $folder, private Atlas $atlas, private SafetyRules $rules, private SchemaValidator $cases, private CaseSense $sense,
    ) {
    }

    /** @return array<string, Protocol> those that ship, by id */
    public function shipped(): array
    {
        $all = JsonFile::read("$this->folder/protocols.json")->map('protocols', Protocol::from(...));

        return array_column(array_map(static fn (Protocol $one): array => [(string) $one->id, $one], $all), 1, 0);
    }

    /** @throws FaultyDocument with every fault */
    public function read(string $text): Protocol
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw FaultyDocument::whole('larger than a protocol ever is');
        }
        try {
            $value = json_decode($text, false, 32, JSON_THROW_ON_ERROR);
            $plain = json_decode($text, true, 32, JSON_THROW_ON_ERROR);
        } catch (\JsonException) {
            throw FaultyDocument::whole('not valid JSON');
        }
        if (! is_array($plain) || ($plain['format'] ?? null) !== Protocol::FORMAT) {
            throw FaultyDocument::whole('no protocol: "format" must be "'.Protocol::FORMAT.'"');
        }
        $faults = (new SchemaValidator("$this->folder/schema/protocols.schema.json"))->faults($value, self::ITEM);
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }
        $protocol = Protocol::from(Fields::of($plain));
        $faults = $this->faults($protocol);

        return $faults === [] ? $protocol : throw FaultyDocument::with($faults);
    }

    /** @return list<Fault> ids nobody knows, and what may not be set of a target */
    private function faults(Protocol $protocol): array
    {
        $faults = [];
        foreach ($protocol->targets(Side::Left) as $number => $row) {
            foreach ($this->cases->faults(json_decode((string) json_encode($row)), self::TARGET) as $fault) {
                $faults[] = new Fault("/targets/$number$fault->pointer", $fault->message);
            }
        }
        foreach (['zones' => array_keys($this->atlas->zones), 'not_with' => array_keys($this->rules->conditions)] as $field => $known) {
            $asked = $field === 'zones' ? $protocol->zones : $protocol->notWith;
            foreach (array_diff($asked, $known) as $id) {
                $faults[] = new Fault("/conditions/$field", "\"$id\" is not known");
            }
        }

        return $faults === []
            ? $this->sense->faults(['session' => ['targets' => $protocol->targets(Side::Left), 'school' => $protocol->school]])
            : $faults;
    }

    /**
     * Why it is not meant for this client today; nothing of it is forbidden by that: what is, the plan says.
     *
     * @return list<string> sentences; empty where it fits
     */
    public function unfit(Protocol $protocol, CaseFile $case): array
    {
        $why = [];
        $told = array_filter($case->health->conditions, static fn (ConditionAnswer $one): bool => $one->answer !== Answer::No);
        foreach ($told as $one) {
            if (in_array($one->condition, $protocol->notWith, true)) {
                $why[] = 'Not meant with '.lcfirst($this->rules->conditions[$one->condition]->label).'.';
            }
            if ($protocol->stages !== [] && $one->stage !== null && ! in_array($one->stage->value, $protocol->stages, true)) {
                $why[] = $one->stage === Stage::Acute ? 'Not while something is acute.' : "Not meant in the stage {$one->stage->value}.";
            }
        }
        $zones = array_map(static fn (Complaint $one): string => $one->zone, $case->findings->complaints);
        if ($protocol->zones !== [] && array_intersect($zones, $protocol->zones) === []) {
            $why[] = 'Meant for a complaint elsewhere.';
        }
        $visit = count($case->history) + 1;
        if ($protocol->fromVisit !== null && $visit < $protocol->fromVisit) {
            $why[] = "Meant from visit {$protocol->fromVisit} on.";
        }

        return array_values(array_unique($why));
    }

    /**
     * What became of each of its steps in a plan that was made with it.
     *
     * @param  array<string, mixed>  $plan  in the form of `plan`
     * @return list<array{name: string, minutes: float|null, because: list<string>}> minutes are null where it fell out
     */
    public function outcome(Protocol $protocol, Side $side, array $plan): array
    {
        $made = Fields::of($plan);
        $by = static fn (string $list): array => array_column(array_map(
            static fn (Fields $row): array => [self::keyOf($row), $row], $made->list($list),
        ), 1, 0);
        [$in, $out] = [$by('targets'), $by('left_out')];
        $rows = [];
        foreach (array_map(static fn (array $row): Fields => Fields::of($row), $protocol->targets($side)) as $wanted) {
            [$found, $left] = [$in[self::keyOf($wanted)] ?? null, $out[self::keyOf($wanted)] ?? null];
            $rows[] = [
                'name' => ($found ?? $left)?->string('name') ?? $this->nameOf($wanted),
                'minutes' => $found?->float('minutes'),
                'because' => $found?->strings('refused') ?? [$left?->string('because') ?? $made->string('because')],
            ];
        }

        return $rows;
    }

    private static function keyOf(Fields $row): string
    {
        $joint = $row->fieldsOrNull('joint');

        return implode(':', [
            $row->stringOrNull('muscle'), $joint?->string('kind'), $joint?->stringOrNull('level'), $row->string('side'),
        ]);
    }

    private function nameOf(Fields $row): string
    {
        $muscle = $row->stringOrNull('muscle');

        return Side::from($row->string('side'))->named($muscle !== null
            ? $this->atlas->muscle($muscle)->name
            : ucfirst($this->atlas->handwork()->joint($row->fields('joint')->string('kind'))->name));
    }
}
