export { PatchStation as default } from '@/ui/patch/PatchStation';
