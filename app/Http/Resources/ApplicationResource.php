<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\TemplateApplication;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Templates\Slot;
use Jaunty\Core\Templates\SlotType;

/** A template as it was applied, with the answers as people read them. */
final class ApplicationResource
{
    /** @return array<string, mixed> */
    public static function of(TemplateApplication $application): array
    {
        $template = $application->version->template();

        return [
            'key' => $template->key,
            'given' => (object) $application->answers,
            'template' => $template->name,
            'version' => $application->version->no,
            'appliedAt' => $application->applied_at->toAtomString(),
            'answers' => array_map(
                static fn (Slot $slot): array => [
                    'question' => $slot->question,
                    'answer' => self::answer($slot, $application->answers[$slot->key] ?? null),
                ],
                $template->slots,
            ),
        ];
    }

    private static function answer(Slot $slot, mixed $answer): string
    {
        return match (true) {
            is_array($answer) => count($answer) === 1 ? '1 row' : count($answer) . ' rows',
            $slot->type === SlotType::Number && is_string($answer) => E164::parse($answer)->display(),
            $slot->type === SlotType::Choice && is_string($answer) => $slot->options[$answer] ?? $answer,
            is_bool($answer) => $answer ? 'yes' : 'no',
            default => is_scalar($answer) ? (string) $answer : $slot->default ?? '',
        };
    }
}
