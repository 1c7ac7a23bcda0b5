<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Measures\Comparison;
use Somatrace\Core\Measures\MeasureBook;
use Somatrace\Core\Measures\MeasureFigures;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\SafetyRules;

/** From the record of a visit to its note: only what was said, found and done, in sentences that name where each was read. */
final readonly class NoteComposer
{
    public function __construct(private Atlas $atlas, private SafetyRules $rules, private MeasureFigures $figures)
    {
    }

    /**
     * @param  list<Comparison>  $compared
     * @param  list<Chain>  $chains
     */
    public function of(VisitRecord $record, Terms $terms, SafetyResult $safety, PatternResult $pattern, array $compared, array $chains): ComposedNote
    {
        $case = $record->case;
        $treatment = new TreatmentWriter($this->atlas, $terms);

        return new ComposedNote([
            ...(new ReasonWriter($this->atlas, $terms))->of($case),
            ...(new SafetyWriter($this->atlas, $this->rules, $terms))->of($case, $safety, $this->touched($record)),
            ...(new FindingsWriter($this->atlas, $terms))->of($case, $compared, $pattern),
            ...(new ReasoningWriter($this->atlas, $terms))->of($case, $pattern, $chains),
            ...$treatment->agreed($record), ...$treatment->done($record), ...NextWriter::of($record),
        ], (new ChangeReader(new MeasureBook($this->atlas, $this->figures), $terms))->of($case, $record->after));
    }

    /** @return list<Place> where it hurts, and where hands were */
    private function touched(VisitRecord $record): array
    {
        $places = array_map(static fn (Complaint $one): Place => $one->place(), $record->case->findings->complaints);
        foreach ($record->worked as $one) {
            foreach ($one->muscle === null ? [] : $this->atlas->muscle($one->muscle)->everyZone() as $zone) {
                $places[] = $this->atlas->placeOn($zone, $one->side);
            }
        }

        return $places;
    }
}
