<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Cases\AgreedPlans;
use App\Cases\TableEvents;
use App\Models\Visit;
use Somatrace\Core\Clinic;
use Somatrace\Core\Data\Fault;
use Somatrace\Core\Data\FaultyDocument;
use Somatrace\Core\Treatment\Event;
use Somatrace\Core\Treatment\Fold;
use Somatrace\Core\Treatment\TreatmentState;

/**
 * A treatment moment by moment, as JSON Lines: the steps that were agreed, then each thing that happened. Read back in any order it gives
 * the same record (docs/formats.md).
 */
final readonly class TreatmentStream
{
    public const FORMAT = 'somatrace.treatment';

    private const HEAD = ['format', 'version', 'steps'];

    private const EVENT = ['id', 'type', 'step', 'payload', 'device', 'number', 'happened_at'];

    public function __construct(private Clinic $clinic)
    {
    }

    public function write(Visit $visit): string
    {
        return JsonLines::write([
            ['format' => self::FORMAT, 'version' => 1, 'steps' => array_values(AgreedPlans::of($visit->id)->steps)],
            ...TableEvents::told($visit->id),
        ]);
    }

    /** @throws FaultyDocument with every fault, by line */
    public function read(string $text): TreatmentState
    {
        $lines = JsonLines::read($text, [], [...self::HEAD, ...self::EVENT]);
        $steps = $events = $faults = [];
        foreach ($lines as $place => $line) {
            if (isset($line['format'])) {
                $steps = $line['format'] === self::FORMAT ? array_filter((array) ($line['steps'] ?? []), is_array(...)) : [];
                if ($line['format'] !== self::FORMAT) {
                    $faults[] = new Fault($place, 'is no '.self::FORMAT);
                }

                continue;
            }
            // from before devices were told apart: it has none, and no number
            $told = ['device' => $line['device'] ?? '', 'number' => $line['number'] ?? 0];
            $checked = $told['device'] === '' ? [...$line, 'device' => '00000000000000000000000000', 'number' => 1] : $line;
            array_push($faults, ...$this->clinic->events()->faults($checked, $place));
            if (is_string($line['id'] ?? null) && is_string($line['type'] ?? null) && is_string($line['step'] ?? null)) {
                $events[] = new Event(
                    $line['id'], $line['type'], $line['step'], (array) ($line['payload'] ?? []), (string) $told['device'],
                    (int) $told['number'],
                );
            }
        }
        if ($faults !== []) {
            throw FaultyDocument::with($faults);
        }

        return Fold::of($steps, $events);
    }
}
