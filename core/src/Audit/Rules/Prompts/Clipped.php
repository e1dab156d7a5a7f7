<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Prompts;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Prompt;

/** A recording that is too loud. */
final readonly class Clipped implements Rule
{
    public function about(): About
    {
        return new About(
            'prompts.clipped',
            Severity::Note,
            'A recording reaches the loudest there is.',
            'It is cut off at the top and sounds harsh on a telephone.',
            'Record it again, further from the microphone.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Prompt::class) as $prompt) {
            $peak = $prompt->audio['peakDb'] ?? null;
            if (is_numeric($peak) && $peak >= 0 && $inspection->usesOf($prompt) !== []) {
                yield Finding::of($this->about(), "{$prompt->name} is too loud", 'Its loudest places are cut off.', $prompt)->at('audio');
            }
        }
    }

    public function samples(): Samples
    {
        $prompt = static fn (float $peak): array => ['key' => 'hello', 'name' => 'Hello', 'script' => 'Thank you for calling.', 'audio' => ['seconds' => 3, 'rate' => 8000, 'channels' => 1, 'codec' => 'mulaw', 'peakDb' => $peak, 'sha256' => str_repeat('a', 64)]];

        return Samples::of(['prompts' => [$prompt(-3.0)], 'announcements' => [['key' => 'hello', 'prompt' => 'prompt:hello']], 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'announcement:hello']]], ['prompts' => [$prompt(0.0)]]);
    }
}
