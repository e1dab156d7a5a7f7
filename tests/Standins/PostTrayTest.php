<?php

declare(strict_types=1);

namespace Tests\Standins;

use PHPUnit\Framework\TestCase;
use Standins\PostTray\PostTray;
use Standins\Shared\Request;

final class PostTrayTest extends TestCase
{
    private string $folder;

    private PostTray $post;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/tray-' . bin2hex(random_bytes(4));
        $this->post = new PostTray($this->folder, static fn (): int => 1_796_148_300);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), (array) glob("{$this->folder}/*"));
        rmdir($this->folder);
    }

    public function test_a_letter_is_kept_and_shown(): void
    {
        $name = $this->send([
            'to' => 'ines@thornback.example',
            'subject' => "Übergabe\r\nBcc: all@x.example",
            'text' => 'Your handover sheet.',
        ])['name'];

        $letter = $this->post->handle(new Request('GET', "/mail/{$name}"))->body;

        self::assertStringContainsString("To: ines@thornback.example\r\n", $letter);
        self::assertStringContainsString('Date: Tue, 01 Dec 2026 18:05:00 +0000', $letter);
        self::assertStringNotContainsString("\r\nBcc:", $letter);
        self::assertStringEndsWith("Your handover sheet.\r\n", $letter);
        self::assertSame([$name], json_decode($this->post->handle(new Request('GET', '/mail'))->body, true)['mail']);
    }

    public function test_a_letter_to_nobody_is_refused_by_field(): void
    {
        self::assertSame('to', $this->send(['to' => 'ines', 'subject' => 'x', 'text' => 'y'])['where']);
        self::assertSame('text', $this->send(['to' => 'ines@thornback.example', 'subject' => 'x'])['where']);
    }

    public function test_nothing_but_its_own_letters_can_be_read(): void
    {
        self::assertSame(404, $this->post->handle(new Request('GET', '/mail/../../etc/passwd'))->status);
    }

    public function test_its_page_shows_what_a_letter_says_and_runs_none_of_it(): void
    {
        $this->send(['to' => 'ines@thornback.example', 'subject' => '<script>alert(1)</script>', 'text' => 'x']);

        self::assertStringContainsString('&lt;script&gt;', $this->post->handle(new Request('GET', '/'))->body);
    }

    /**
     * @param  array<string, string>  $letter
     * @return array<string, string>
     */
    private function send(array $letter): array
    {
        $answer = json_decode(
            $this->post->handle(new Request('POST', '/mail', body: json_encode($letter, JSON_THROW_ON_ERROR)))->body,
            true,
        );
        self::assertIsArray($answer);

        return $answer;
    }
}
