<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\EntryRows;
use App\Cases\Judgements;
use App\Cases\SoundRecords;
use App\Cases\TreatmentSummary;
use App\Exchange\EntryWords;
use App\Models\Entry;
use App\Models\EntryKind;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Clinic;

/** A letter that sends somebody on: drafted from the record, changed as wished, and kept with it. */
final readonly class LetterPage
{
    private const TEXT = 'letter';

    /** Ranges whose sides differ by no more than this many degrees are not told. */
    private const EVEN = 5;

    public function __construct(
        private Judgements $judgements,
        private TreatmentSummary $treatment,
        private SoundRecords $sound,
        private EntryWords $words,
        private Clinic $clinic,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit): array
    {
        $kept = $this->kept($visit);

        return [
            'visit' => ['id' => $visit->public_id, 'number' => $visit->number, 'signed' => $visit->isSigned()],
            'client' => ['id' => $visit->client->public_id, 'name' => $visit->client->name, 'code' => $visit->client->code],
            'draft' => $this->draft($visit), 'text' => is_string($kept?->payload) ? $kept->payload : null,
            'revision' => $kept->revision ?? 0,
        ];
    }

    /** What goes out: the letter as it was changed, or as it was drafted. */
    public function text(Visit $visit): string
    {
        $text = $this->kept($visit)?->payload;

        return is_string($text) && trim($text) !== '' ? $text : $this->draft($visit);
    }

    private function kept(Visit $visit): ?Entry
    {
        return $visit->entries()->where(['kind' => EntryKind::Text, 'phase' => 'before', 'identity' => self::TEXT])->first();
    }

    private function draft(Visit $visit): string
    {
        $visit->people();
        $safety = $this->judgements->of($visit, 'safety')['safety'];
        $rows = EntryRows::of([$visit->id]);
        $client = $visit->client;
        $record = $this->treatment->record($visit->id);
        $parts = [
            $visit->user->clinic->name."\n".CarbonImmutable::parse($visit->day())->format('j F Y'),
            "To the doctor of {$client->name}, born {$client->born_on->format('j F Y')}",
            "{$client->name} was here today for massage therapy and should be seen {$this->soon($safety)}. We treat muscles and do not diagnose; this is what we asked, saw and felt.",
            $this->list(
                'Why',
                array_column(
                    array_filter(
                        $safety['because'],
                        static fn (array $one): bool => $one['verdict'] === ($safety['overridden'] ?? $safety['verdict']),
                    ),
                    'reason',
                ),
            ),
            $this->list('Where it hurts', $this->complaints($rows)),
            $this->list('Also answered yes', $this->yes($rows)),
            $this->list('Measured', $this->ranges($rows)),
            $this->list('Signs during the work', $this->signs($record['signs'], $visit->user->clinic->timezone)),
            $this->list('Worked today', $this->worked($record['done'])),
            $this->list(
                'Stored and not readable any more, so not part of this', array_column($this->sound->unreadable($visit->id), 'what'),
            ),
            "{$visit->user->name}\n{$visit->user->clinic->name}",
        ];

        return implode("\n\n", array_filter($parts))."\n";
    }

    /** @param  array<string, mixed>  $safety */
    private function soon(array $safety): string
    {
        $days = $safety['when']['within_days'] ?? null;

        return match (true) {
            $safety['verdict'] === 'emergency' => 'at once',
            $days === 0 => 'today',
            $days === 1 => 'by tomorrow',
            is_int($days) => "within $days days",
            default => 'when you can',
        };
    }

    /** @param  list<string>|array<int, string>  $lines */
    private function list(string $head, array $lines): string
    {
        return $lines === []
            ? ''
            : "$head:\n".implode("\n", array_map(static fn (string $line): string => "– $line", array_unique($lines)));
    }

    /** @return list<string> */
    private function complaints(EntryRows $rows): array
    {
        return array_map(
            fn (array $one): string => ucfirst($this->place((string) $one['zone'], (string) $one['side'])).", {$one['now']} of 10".(
                isset($one['since']) ? ", since {$one['since']}" : ''
            ),
            array_values(array_filter($rows->payloads(EntryKind::Complaint), is_array(...))),
        );
    }

    /** @return list<string> */
    private function yes(EntryRows $rows): array
    {
        $rules = $this->clinic->rules();
        $lines = [];
        foreach ($rows->map(EntryKind::RedFlag) as $flag => $answer) {
            if ($answer === 'yes') {
                $lines[] = rtrim($rules->flags->flags[$flag]['ask'] ?? $flag, '?');
            }
        }
        foreach ($rows->payloads(EntryKind::Condition) as $one) {
            if (is_array($one) && ($one['answer'] ?? null) === 'yes') {
                $lines[] = ucfirst($rules->conditions[$one['condition']]->label ?? (string) $one['condition']).(
                    isset($one['severity']) ? ", {$one['severity']}" : ''
                );
            }
        }
        foreach ($rows->payloads(EntryKind::Medicine) as $one) {
            if (is_array($one) && ($one['answer'] ?? null) === 'yes') {
                $lines[] = 'Takes '.($rules->medicines[$one['medicine']]->label ?? $one['medicine']);
            }
        }

        return $lines;
    }

    /** @return list<string> what differs between the sides, or hurts */
    private function ranges(EntryRows $rows): array
    {
        $sides = [];
        foreach ($rows->payloads(EntryKind::Range) as $one) {
            if (is_array($one) && isset($one['active'])) {
                $sides[(string) $one['movement']][(string) $one['side']] = $one;
            }
        }
        $lines = [];
        foreach ($sides as $movement => $by) {
            $apart = isset($by['left'], $by['right']) ? abs($by['left']['active'] - $by['right']['active']) : 0;
            if ($apart > self::EVEN || array_filter(array_column($by, 'pain')) !== []) {
                $about = $this->clinic->atlas()->movement($movement);
                $lines[] = ucfirst($about->name).': '.implode(', ', array_map(
                    static fn (string $side, array $one): string => trim(
                        ($side === Side::Midline->value ? '' : "$side ").$one['active'].($about->unit === 'deg' ? '°' : " {$about->unit}").(
                            ($one['pain'] ?? 0) > 0 ? " with pain {$one['pain']}" : ''
                        ),
                    ),
                    array_keys($by), $by,
                ));
            }
        }

        return $lines;
    }

    /**
     * @param  list<array{at: string, sign: string, by_server: bool, slip: bool}>  $signs
     * @return list<string>
     */
    private function signs(array $signs, string $timezone): array
    {
        $names = array_column($this->clinic->atlas()->stopSigns, 'name', 'id');
        $lines = [];
        foreach ($signs as $one) {
            if (isset($names[$one['sign']]) && ! $one['slip']) {
                $lines[] = $names[$one['sign']].', '.CarbonImmutable::parse($one['at'])->setTimezone($timezone)->format('H:i').(
                    $one['by_server'] ? ' (the tablet’s clock was off)' : ''
                );
            }
        }

        return $lines;
    }

    /**
     * @param  list<array<string, mixed>>  $done
     * @return list<string>
     */
    private function worked(array $done): array
    {
        return array_map(
            fn (array $one): string => $this->words->worked($one).", {$one['side']}, up to {$one['max_pressure']} of 10", $done,
        );
    }

    private function place(string $zone, string $side): string
    {
        return $this->clinic->atlas()->zone($zone)->name.($side === Side::Midline->value ? '' : ", $side");
    }
}
