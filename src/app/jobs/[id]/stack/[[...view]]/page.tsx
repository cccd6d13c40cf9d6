export { StackStation as default } from '@/ui/stack/StackStation';
