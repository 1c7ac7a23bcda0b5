<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Measures\MeasureBook;
use Somatrace\Core\Measures\MeasureFigures;
use Somatrace\Core\Safety\SafetyRules;

/** From the record of a visit to its note: only what was said, found and done, in sentences that name where each was read. */
final readonly class NoteComposer
{
    public function __construct(private Atlas $atlas, private SafetyRules $rules, private MeasureFigures $figures)
    {
    }

    public function of(VisitRecord $record, Terms $terms, Judged $judged): ComposedNote
    {
        $case = $record->case;
        $treatment = new TreatmentWriter($this->atlas, $terms);

        return new ComposedNote([
            ...(new ReasonWriter($this->atlas, $terms))->of($case),
            ...(new SafetyWriter($this->atlas, $this->rules, $terms))->of($case, $judged->safety, $this->touched($record)),
            ...(new FindingsWriter($this->atlas, $terms))->of($case, $judged->compared, $judged->pattern),
            ...(new ReasoningWriter($this->atlas, $terms))->of($case, $judged->pattern, $judged->chains),
            ...$treatment->agreed($record), ...$treatment->done($record), ...HomeCareWriter::of($record),
            ...NextWriter::of($record, $judged->next),
        ], (new ChangeReader(new MeasureBook($this->atlas, $this->figures), $terms))->of($case, $record->after), $judged->next);
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
