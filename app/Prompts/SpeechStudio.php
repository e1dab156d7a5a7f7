<?php

declare(strict_types=1);

namespace App\Prompts;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;

/** Has scripts spoken by the studio. */
final readonly class SpeechStudio
{
    private const SECONDS = 30;

    public function __construct(private Factory $http, private string $url, private string $token)
    {
    }

    /**
     * @param  string  $language  BCP 47
     * @return string a WAV file
     *
     * @throws StudioTrouble
     */
    public function speak(string $script, string $language): string
    {
        if ($this->url === '') {
            throw new StudioTrouble('no studio is set up yet; a lead technician names one under Settings');
        }
        try {
            $answer = $this->http->baseUrl($this->url)->withToken($this->token)->asJson()->timeout(
                self::SECONDS,
            )->withOptions(['proxy' => ''])->post('/takes', ['lines' => $script, 'tongue' => $language]);
        } catch (ConnectionException) {
            throw new StudioTrouble('it cannot be reached');
        }
        $fault = $answer->json('fault');

        return $answer->successful()
            ? $answer->body()
            : throw new StudioTrouble(is_string($fault) ? $fault : "HTTP {$answer->status()}");
    }
}
